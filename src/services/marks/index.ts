import { addMark } from "./add";
import { bringInMarks } from "./bring-in";
import { editMark } from "./edit";
import { takeEvidence } from "./evidence";
import { exportMarks } from "./export";
import { readMarksInside } from "./of-collection";
import { readMarks } from "./of-resource";
import { marksOnPage } from "./on-page";
import { removeMark } from "./remove";
import { restoreMark } from "./restore";
import { setMarkPrivate } from "./set-private";

/** What people can do, by name. */
export const actions = {
  "marks.add": addMark,
  "marks.bring-in": bringInMarks,
  "marks.edit": editMark,
  "marks.evidence": takeEvidence,
  "marks.export": exportMarks,
  "marks.of-collection": readMarksInside,
  "marks.of-resource": readMarks,
  "marks.on-page": marksOnPage,
  "marks.remove": removeMark,
  "marks.restore": restoreMark,
  "marks.set-private": setMarkPrivate,
};
