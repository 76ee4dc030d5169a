import { addLines } from "./add-lines";
import { readImports } from "./list";
import { readImport } from "./read";
import { rejectedLines } from "./rejected";
import { setImport } from "./set";
import { stageImport } from "./stage";

/** What people can do, by name. */
export const actions = {
  "imports.add-lines": addLines,
  "imports.list": readImports,
  "imports.read": readImport,
  "imports.rejected": rejectedLines,
  "imports.set": setImport,
  "imports.stage": stageImport,
};
