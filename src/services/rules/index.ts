import { decideHit } from "./decide";
import { previewRule } from "./preview";
import { readRules } from "./read";
import { removeRule } from "./remove";
import { runRule } from "./run";
import { saveRule } from "./save";

/** What people can do, by name. */
export const actions = {
  "rules.decide": decideHit,
  "rules.preview": previewRule,
  "rules.read": readRules,
  "rules.remove": removeRule,
  "rules.run": runRule,
  "rules.save": saveRule,
};
