import { expect, test } from "vitest";
import { audienceNow, openedBy, type Shared, shownInside } from "./opens";

const NOW = new Date("2026-05-01T12:00:00Z");
const one = (id: string, parent: string | null, more: Partial<Shared> = {}): Shared => ({
  id,
  parent,
  audience: "team",
  reach: "all",
  sharedUntil: null,
  leftOut: false,
  awayAt: null,
  hiddenAt: null,
  code: null,
  ...more,
});
const course = (more: Partial<Shared>) => one("course", null, { audience: "link", code: "c", ...more });
const unit = (more: Partial<Shared> = {}) => one("unit", "course", more);
const week = (more: Partial<Shared> = {}) => one("week", "unit", more);

test("whoever has the address of a course sees what stands in it, however deep; without it nobody does", () => {
  const up = [week(), unit(), course({})];
  expect(openedBy(up, "c", NOW)?.id).toBe("course");
  expect(openedBy(up, "d", NOW)).toBeNull();
  expect(openedBy(up, null, NOW)).toBeNull();
  expect(openedBy([week(), unit(), course({ audience: "public" })], null, NOW)?.id).toBe("course");
});

test("this level only, left out, put away, hidden, past its last day: each ends it for what stands inside", () => {
  const closed = (w: Partial<Shared>, u: Partial<Shared>, c: Partial<Shared>) =>
    openedBy([week(w), unit(u), course(c)], "c", NOW);
  expect(closed({}, {}, { reach: "level" })).toBeNull();
  expect(closed({ leftOut: true }, {}, {})).toBeNull();
  expect(closed({}, { leftOut: true }, {})).toBeNull();
  expect(closed({}, { awayAt: NOW }, {})).toBeNull();
  expect(closed({}, { hiddenAt: NOW }, {})).toBeNull();
  expect(closed({}, {}, { hiddenAt: NOW })).toBeNull();
  expect(closed({ hiddenAt: NOW, audience: "public" }, {}, {})).toBeNull();
  expect(closed({}, {}, { sharedUntil: NOW })).toBeNull();
  expect(closed({}, {}, { sharedUntil: new Date(NOW.getTime() + 1) })?.id).toBe("course");
  expect(audienceNow({ audience: "public", sharedUntil: NOW, hiddenAt: null }, NOW)).toBe("team");
});

test("what is shared by itself keeps its own address, whatever becomes of the course", () => {
  const own = week({ audience: "link", code: "w", leftOut: true });
  expect(openedBy([own, unit(), course({ audience: "team" })], "w", NOW)?.id).toBe("week");
  expect(openedBy([own, unit(), course({})], "c", NOW)).toBeNull();
  const both = [week({ audience: "public", code: "w" }), unit(), course({})];
  expect(["w", "c", null].map((code) => openedBy(both, code, NOW)?.id)).toEqual(["week", "course", "week"]);
});

test("a course shows all that is not left out; a level only what may be seen by as many", () => {
  const parts = [
    unit(),
    week(),
    one("extra", "unit", { leftOut: true }),
    one("below", "extra"),
    one("open", "course", { audience: "public", code: "o" }),
    one("close", "course", { audience: "link", code: "l" }),
  ];
  const shown = (root: Shared) => shownInside([root, ...parts], root, NOW).map(({ id }) => id);
  expect(shown(course({}))).toEqual(["unit", "week", "open", "close"]);
  expect(shown(course({ reach: "level" }))).toEqual(["open", "close"]);
  // The address of what is for those who have it does not stand on a page for everybody.
  expect(shown(course({ reach: "level", audience: "public" }))).toEqual(["open"]);
});
