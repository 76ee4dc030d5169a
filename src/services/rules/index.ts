import { correctHit } from "./correct";
import { decideHit } from "./decide";
import { readDid } from "./did";
import { exceptRule } from "./except";
import { previewRule } from "./preview";
import { readRules } from "./read";
import { removeRule } from "./remove";
import { runRule } from "./run";
import { saveRule } from "./save";

/** What people can do, by name. */
export const actions = {
  "rules.correct": correctHit,
  "rules.decide": decideHit,
  "rules.did": readDid,
  "rules.except": exceptRule,
  "rules.preview": previewRule,
  "rules.read": readRules,
  "rules.remove": removeRule,
  "rules.run": runRule,
  "rules.save": saveRule,
};
