import { expect, test } from "vitest";
import { byDay } from "./by-day";

const event = (at: string, actor: string, verb = "placements.add") => ({ at, actor, verb });

test("what one did several times after each other on a day is told once, and what is new apart from what is not", () => {
  const events = [
    event("2026-05-04T12:00", "ada"),
    event("2026-05-04T11:00", "ada"),
    event("2026-05-04T10:00", "ada"),
    event("2026-05-04T09:00", "ben"),
    event("2026-05-04T08:00", "ben", "placements.move"),
    event("2026-05-03T23:00", "ben", "placements.move"),
  ];
  const days = byDay(
    events,
    (at) => at.slice(0, 10),
    ({ at }) => at > "2026-05-04T10:30",
  );
  expect(days.map(({ day, deeds }) => [day, ...deeds.map((one) => 1 + one.others.length)])).toEqual([
    ["2026-05-04", 2, 1, 1, 1],
    ["2026-05-03", 1],
  ]);
});
