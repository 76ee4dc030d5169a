import { expect, test } from "vitest";
import { stageAt, stagesOf, waitingAt } from "./places";

const names = (role: "viewer" | "contributor" | "editor" | "owner") =>
  stagesOf({ id: "moss", role }).map((stage) => stage.places.map((place) => place.words));

test("places stand in the order of the work, and each only for whom there is something to do", () => {
  expect(names("owner")).toEqual([
    ["Tray", "Mail", "Imports", "Rules", "Shelves", "Followed"],
    ["Collections", "Catalogue", "Tags", "Likely duplicates"],
    ["Appraisal", "Outcomes", "Time", "Mix of sources", "Links"],
    ["What is out", "Suggestions", "Groups"],
    ["People", "Bin", "Upkeep"],
  ]);
  expect(names("viewer")).toEqual([
    ["Rules", "Shelves", "Followed"],
    ["Collections", "Catalogue", "Tags", "Likely duplicates"],
    ["Appraisal", "Outcomes", "Time", "Mix of sources", "Links"],
    ["What is out"],
    ["People"],
  ]);
});

test("where one is is known from the address, also a step below a place", () => {
  const stages = stagesOf({ id: "moss", role: "owner" });
  const at = (path: string) => stageAt(stages, path);
  expect([at("/team/moss/tray"), at("/team/moss/tags/peat"), at("/bench/x"), at("/publish/x")]).toEqual([
    ...["Gather", "Arrange", "Arrange", "Share"],
  ]);
  expect([at("/team/moss/groups/x"), at("/team/moss/handouts/x/y"), at("/team/moss/suggestions/x")]).toEqual([
    ...["Share", "Share", "Share"],
  ]);
  expect([at("/team/moss"), at("/team/moss/bin"), at("/account"), at("/team/mossy/tray")]).toEqual([
    ...[null, "Team", null, null],
  ]);
});

test("a stage says how much waits at all of its places", () => {
  const [gather, arrange, weigh, share, team] = stagesOf({ id: "moss", role: "editor" });
  const waiting = { tray: 8, held: 2, duplicates: 3, suggested: 4, toJudge: 5, links: 1, addressed: 0 };
  expect([gather, arrange, weigh, share, team].map((stage) => waitingAt(stage!, waiting))).toEqual([
    ...[10, 3, 6, 4, 0],
  ]);
  expect(waitingAt(gather!, undefined)).toBe(0);
});
