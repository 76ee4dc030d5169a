import { addMark } from "./add";
import { editMark } from "./edit";
import { readMarks } from "./of-resource";
import { removeMark } from "./remove";
import { restoreMark } from "./restore";
import { setMarkPrivate } from "./set-private";

/** What people can do, by name. */
export const actions = {
  "marks.add": addMark,
  "marks.edit": editMark,
  "marks.of-resource": readMarks,
  "marks.remove": removeMark,
  "marks.restore": restoreMark,
  "marks.set-private": setMarkPrivate,
};
