import { expect, test } from "vitest";
import { kindOfLogged, LOG_KINDS, LOGGED, loggedOf } from "./kinds";

test("what is in the log is of one kind, and what nobody did is not in it", () => {
  const all = loggedOf(null);
  const apart = LOG_KINDS.map(loggedOf);
  expect(apart.flatMap(({ verbs }) => verbs).sort()).toEqual([...all.verbs].sort());
  expect(apart.flatMap(({ logged }) => logged).sort()).toEqual([...LOGGED].sort());
  for (const nobody of ["presence", "late", "notices.came"]) expect(all.verbs).not.toContain(nobody);
  for (const [what, kind] of [
    ["signed-in", "people"],
    ["members.remove", "people"],
    ["guests.set-role", "people"],
    ["share.set", "sharing"],
    ["handouts.remove", "sharing"],
    ["taken-out", "taken"],
    ["collections.remove", "deleted"],
    ["bin.restore-placement", "deleted"],
    ["placements.edit", "changes"],
  ])
    expect([what, kindOfLogged(what!)]).toEqual([what, kind]);
});
