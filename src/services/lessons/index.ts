import { readLesson } from "./read";

/** What people can do, by name. */
export const actions = {
  "lessons.read": readLesson,
};
