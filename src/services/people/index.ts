import { editPerson } from "./edit";

/** What people can do, by name. */
export const actions = {
  "people.edit": editPerson,
};
