import { readLoadOfCourse } from "./course";
import { readLoad } from "./read";

/** What people can do, by name. */
export const actions = {
  "load.course": readLoadOfCourse,
  "load.read": readLoad,
};
