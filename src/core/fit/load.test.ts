import { expect, test } from "vitest";
import { loadOf, minutesIn, sumOf, type Timed } from "./load";
import { paceAt } from "./pace";

const text = (rest: Partial<Timed> = {}): Timed => ({
  ...{ kind: "page", words: 2380, seconds: null, language: null, minutes: 10 },
  ...{ clipFrom: null, clipTo: null, taskMinutes: null },
  ...rest,
});

test("a text takes slower readers longer, a film as long as it is, and what somebody said stays as they said", () => {
  expect(loadOf(text(), 238)).toMatchObject({ reading: 10, playing: 0 });
  expect(loadOf(text(), 119).reading).toBe(20);
  expect(loadOf(text({ minutes: 25 }), 119).reading).toBe(25);
  const film = text({ kind: "video", words: null, seconds: 600 });
  expect(loadOf(film, 60)).toMatchObject({ reading: 0, playing: 10 });
  expect(loadOf({ ...film, clipFrom: 60, clipTo: 180 }, 60).playing).toBe(2);
});

test("what is done with it is added, and what nobody knows counts as nothing and is told", () => {
  const all = sumOf([
    loadOf(text({ taskMinutes: 15 }), 238),
    loadOf(text({ words: null, minutes: null, taskMinutes: 5 }), 238),
  ]);
  expect(all).toEqual({ reading: 10, playing: 0, task: 20, unknown: 1 });
  expect(minutesIn(all)).toBe(30);
});

test("how fast readers read is as was said of the nearest collection above, or as adults do", () => {
  const tree = new Map(
    [
      { id: "course", parent: null, readingPace: 158 },
      { id: "week", parent: "course", readingPace: null },
      { id: "alone", parent: null, readingPace: null },
    ].map((one) => [one.id, one]),
  );
  expect(paceAt(tree, "week")).toEqual({ pace: 158, from: "course" });
  expect(paceAt(tree, "alone")).toEqual({ pace: 238, from: null });
});
