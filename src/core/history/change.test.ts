import fc from "fast-check";
import { expect, test } from "vitest";
import { type Change, conflicting, difference, type Fields, inverted } from "./change";

type World = Map<string, Record<string, unknown>>;
const key = (type: string, id: string) => `${type} ${id}`;

/** Does what `data/entities` does with rows, with a map. */
function apply(world: World, changes: readonly Change[]): boolean {
  const current = (type: string, id: string): Fields => world.get(key(type, id)) ?? null;
  if (conflicting(changes, current).length) return false;
  for (const { type, id, after } of changes)
    if (after === null) world.delete(key(type, id));
    else world.set(key(type, id), { ...world.get(key(type, id)), ...after });
  return true;
}

const act = fc.record({
  actor: fc.constantFrom("a", "b", "c"),
  id: fc.constantFrom("1", "2", "3"),
  field: fc.constantFrom("title", "position"),
  value: fc.integer({ min: 0, max: 5 }),
  what: fc.constantFrom("change", "change", "undo", "redo"),
});

test("whatever three people do and undo at once, undo takes back one's own and never overwrites another's", () => {
  fc.assert(
    fc.property(fc.array(act, { maxLength: 80 }), (acts) => {
      const world: World = new Map(
        ["1", "2", "3"].map((id) => [key("placement", id), { title: 0, position: 0 }]),
      );
      /** Who last set each field: what a field holds may only change by a change, or by undo of whoever set it. */
      const owner = new Map<string, string>();
      const done = { a: [] as Change[], b: [] as Change[], c: [] as Change[] };
      const undone = { a: [] as Change[], b: [] as Change[], c: [] as Change[] };
      for (const { actor, id, field, value, what } of acts) {
        const who = actor as "a";
        if (what === "change") {
          const row = world.get(key("placement", id))!;
          const change = difference("placement", id, row, { [field]: value });
          if (!change) continue;
          expect(apply(world, [change])).toBe(true);
          owner.set(id + field, who);
          done[who].push(change);
          undone[who] = [];
          continue;
        }
        const [from, to] = what === "undo" ? [done, undone] : [undone, done];
        const last = from[who].pop();
        if (!last) continue;
        const before = structuredClone([...world]);
        const wish = what === "undo" ? inverted([last]) : [last];
        const name = last.id + Object.keys(last.after!)[0];
        if (apply(world, wish)) {
          // Nobody's value was overwritten unless it is the very value one's own change had left there.
          expect(new Map(before).get(key("placement", last.id))).toMatchObject(wish[0]!.before!);
          owner.set(name, who);
          to[who].push(last);
        } else expect([...world]).toEqual(before);
      }
    }),
  );
});

test("an entry over many things is taken back whole or not at all, and inverted twice it is itself", () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(9), fc.nat(3)), { minLength: 1, maxLength: 30 }),
      fc.boolean(),
      (moves, meddled) => {
        const world: World = new Map(
          Array.from({ length: 10 }, (_, i) => [key("placement", String(i)), { position: 0 }]),
        );
        const start = structuredClone([...world]);
        const changes: Change[] = [];
        for (const [id, position] of moves) {
          const change = difference("placement", String(id), world.get(key("placement", String(id)))!, {
            position,
          });
          if (!change) continue;
          apply(world, [change]);
          changes.push(change);
        }
        expect(inverted(inverted(changes))).toEqual(changes);
        // Several changes of one type are one from the first to the last, as an action hands them on.
        const folded = [...new Set(changes.map((change) => change.id))].map((id) => {
          const own = changes.filter((change) => change.id === id);
          return { ...own[0]!, after: own.at(-1)!.after };
        });
        if (!folded.length) return;
        if (meddled) world.set(key("placement", folded[0]!.id), { position: 99 });
        const before = structuredClone([...world]);
        expect(apply(world, inverted(folded))).toBe(!meddled);
        expect([...world]).toEqual(meddled ? before : start);
      },
    ),
  );
});

test("what was not there, and what is there with other fields", () => {
  const made: Change = { type: "tag", id: "t", before: null, after: { name: "moss" } };
  expect(conflicting([made], () => null)).toEqual([]);
  expect(conflicting([made], () => ({ name: "moss" }))).toEqual([made]);
  expect(conflicting(inverted([made]), () => ({ name: "moss", key: "moss" }))).toEqual([]);
  expect(
    difference("resource", "r", { authors: ["A"], title: "x" }, { authors: ["A"], title: "x" }),
  ).toBeNull();
});

test("what was made in another is taken out of it before it goes", () => {
  const made: Change[] = [
    { type: "section", id: "s", before: null, after: { gone: false } },
    { type: "placement", id: "p", before: null, after: { section: "s" } },
  ];
  expect(inverted(made)).toEqual([
    { type: "placement", id: "p", before: { section: "s" }, after: null },
    { type: "section", id: "s", before: { gone: false }, after: null },
  ]);
});
