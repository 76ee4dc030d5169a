import { readHistory } from "./read";
import { redo } from "./redo";
import { undo } from "./undo";

/** What people can do, by name. */
export const actions = {
  "history.read": readHistory,
  "history.redo": redo,
  "history.undo": undo,
};
