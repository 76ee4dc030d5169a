import { aboutMe } from "./about-me";
import { deletePerson } from "./delete";
import { editPerson } from "./edit";
import { whatBecomes } from "./what-becomes";

/** What people can do, by name. */
export const actions = {
  "people.about-me": aboutMe,
  "people.delete": deletePerson,
  "people.edit": editPerson,
  "people.what-becomes": whatBecomes,
};
