import fc from "fast-check";
import { expect, test } from "vitest";
import { nameOf, type State } from "./rewind";
import { comparedWith, readThen, type Then } from "./then";

const at = new Date("2026-05-01T12:00:00Z");
const later = new Date("2026-05-02T12:00:00Z");

test("a state is read in the order in which it stood, without what was made later, gone, or elsewhere", () => {
  const state: State = new Map([
    [nameOf("collection", "c"), { title: "Cores", description: "Of the bog", rich: "" }],
    [nameOf("section", "s2"), { collection: "c", title: "Second", intro: "", position: "b" }],
    [nameOf("section", "s1"), { collection: "c", title: "First", intro: "x", position: "a" }],
    [nameOf("section", "s3"), { collection: "c", title: "Gone", position: "a", gone: true }],
    [nameOf("placement", "p1"), { collection: "c", section: "s2", position: "a", resource: "r" }],
    [nameOf("placement", "p2"), { collection: "c", section: "s1", position: "b", resource: "r" }],
    [
      nameOf("placement", "p3"),
      { collection: "c", section: null, position: "z", resource: "r", context: "why" },
    ],
    [nameOf("placement", "p4"), { collection: "other", section: null, position: "a", resource: "r" }],
    [nameOf("placement", "p5"), { collection: "c", section: null, position: "a", resource: "r" }],
    [nameOf("placement", "p6"), { collection: "c", section: null, position: "a", resource: "binned" }],
    [nameOf("placement", "p7"), null],
    [nameOf("resource", "r"), { title: "Core 4" }],
    [nameOf("resource", "binned"), { title: "Core 5", gone: true }],
  ]);
  const then = readThen(state, "c", new Map([[nameOf("placement", "p5"), later]]), at);
  expect(then).toMatchObject({ title: "Cores", description: "Of the bog" });
  expect(then.sections.map((one) => one.title)).toEqual(["First", "Second"]);
  expect(then.items.map((one) => [one.id, one.title, one.context])).toEqual([
    ["p3", "Core 4", "why"],
    ["p2", "Core 4", ""],
    ["p1", "Core 4", ""],
  ]);
});

const of = (items: (string | [id: string, section: string])[]): Then => ({
  ...{ title: "", description: "", rich: "", sections: [] },
  items: items.map((item, i) => {
    const [id, section] = typeof item === "string" ? [item, null] : item;
    const rest = { heading: "", context: "", look: "item", resource: id, title: id };
    return { id, section, position: String(i), ...rest };
  }),
});
const since = (then: Then, now: Then) => Object.fromEntries(comparedWith(then, now).since);

test("what became of each is said, and as few as can be have moved", () => {
  expect(since(of(["a", "b", "c"]), of(["c", "a", "b"]))).toEqual({ a: "same", b: "same", c: "moved" });
  expect(since(of(["a", "b"]), of(["b"]))).toEqual({ a: "gone", b: "same" });
  expect(since(of(["a"]), of([["a", "s"]]))).toEqual({ a: "moved" });
  expect(comparedWith(of([]), of(["a", "b"])).came).toBe(2);
  const words = of(["a"]);
  words.items[0]!.context = "why";
  expect(since(of(["a"]), words)).toEqual({ a: "words" });
});

test("one thing that is put elsewhere among many is the only one that moved", () => {
  fc.assert(
    fc.property(fc.integer({ min: 3, max: 40 }), fc.nat(), fc.nat(), (length, from, to) => {
      const ids = Array.from({ length }, (_, i) => `i${i}`);
      const one = ids[from % length]!;
      const others = ids.filter((id) => id !== one);
      const now = others.toSpliced(to % length, 0, one);
      const moved = Object.values(since(of(ids), of(now))).filter((what) => what === "moved");
      expect(moved.length).toBe(now.join() === ids.join() ? 0 : 1);
    }),
  );
});
