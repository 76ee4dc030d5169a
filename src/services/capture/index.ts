import { captureAddress } from "./address";
import { captureFile } from "./file";
import { captureNote } from "./note";
import { capturePage } from "./page";
import { captureWork } from "./work";

/** What people can do, by name. */
export const actions = {
  "capture.address": captureAddress,
  "capture.file": captureFile,
  "capture.note": captureNote,
  "capture.page": capturePage,
  "capture.work": captureWork,
};
