import { collectHandout } from "./collect";
import { correctHandout } from "./correct";
import { editHandout } from "./edit";
import { lookIntoSheet } from "./look-into";
import { lookedAtSheet } from "./looked";
import { makeHandout } from "./make";
import { readOverview } from "./overview";
import { previewCorrection } from "./preview-correction";
import { findInSheets } from "./find";
import { remarkOnSheet } from "./remark";
import { removeHandout } from "./remove";

/** What people can do, by name. */
export const actions = {
  "handouts.find": findInSheets,
  "handouts.remark": remarkOnSheet,
  "handouts.collect": collectHandout,
  "handouts.correct": correctHandout,
  "handouts.edit": editHandout,
  "handouts.look-into": lookIntoSheet,
  "handouts.looked": lookedAtSheet,
  "handouts.make": makeHandout,
  "handouts.overview": readOverview,
  "handouts.preview-correction": previewCorrection,
  "handouts.remove": removeHandout,
};
