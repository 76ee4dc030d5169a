import { aboutMe } from "./about-me";
import { editPerson } from "./edit";

/** What people can do, by name. */
export const actions = {
  "people.about-me": aboutMe,
  "people.edit": editPerson,
};
