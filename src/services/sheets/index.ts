import { addOwnFind } from "./add-find";
import { editOwnFind } from "./edit-find";
import { readSheetFile } from "./file";
import { handInSheet } from "./hand-in";
import { readCard } from "./of-card";
import { openOwnSheet } from "./open";
import { readSheet } from "./read";
import { writeOnSheet } from "./write";

/** What people can do, by name. */
export const actions = {
  "sheets.add-find": addOwnFind,
  "sheets.edit-find": editOwnFind,
  "sheets.file": readSheetFile,
  "sheets.hand-in": handInSheet,
  "sheets.of-card": readCard,
  "sheets.open": openOwnSheet,
  "sheets.read": readSheet,
  "sheets.write": writeOnSheet,
};
