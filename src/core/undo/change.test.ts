import fc from "fast-check";
import { expect, test } from "vitest";
import { type Change, clashing, difference, type Fields, turned } from "./change";

type World = Map<string, Record<string, unknown>>;
const key = (thing: string, id: string) => `${thing} ${id}`;

/** Does what `services/undo` does with rows, with a map. */
function apply(world: World, changes: readonly Change[]): boolean {
  const current = (thing: string, id: string): Fields => world.get(key(thing, id)) ?? null;
  if (clashing(changes, current).length) return false;
  for (const { thing, id, after } of changes)
    if (after === null) world.delete(key(thing, id));
    else world.set(key(thing, id), { ...world.get(key(thing, id)), ...after });
  return true;
}

const deed = fc.record({
  actor: fc.constantFrom("a", "b", "c"),
  id: fc.constantFrom("1", "2", "3"),
  field: fc.constantFrom("title", "position"),
  value: fc.integer({ min: 0, max: 5 }),
  what: fc.constantFrom("change", "change", "undo", "redo"),
});

test("whatever three people do and undo at once, undo takes back one's own and never overwrites another's", () => {
  fc.assert(
    fc.property(fc.array(deed, { maxLength: 80 }), (deeds) => {
      const world: World = new Map(
        ["1", "2", "3"].map((id) => [key("placement", id), { title: 0, position: 0 }]),
      );
      /** Who last set each field: what a field holds may only change by a change, or by undo of whoever set it. */
      const owner = new Map<string, string>();
      const done = { a: [] as Change[], b: [] as Change[], c: [] as Change[] };
      const undone = { a: [] as Change[], b: [] as Change[], c: [] as Change[] };
      for (const { actor, id, field, value, what } of deeds) {
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
        const wish = what === "undo" ? turned([last]) : [last];
        const name = last.id + Object.keys(last.after!)[0];
        if (apply(world, wish)) {
          // Nobody's value was overwritten unless it is the very value one's own deed had left there.
          expect(new Map(before).get(key("placement", last.id))).toMatchObject(wish[0]!.before!);
          owner.set(name, who);
          to[who].push(last);
        } else expect([...world]).toEqual(before);
      }
    }),
  );
});

test("a deed over many things is taken back whole or not at all, and turned twice it is itself", () => {
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
        expect(turned(turned(changes))).toEqual(changes);
        // Several changes of one thing are one from the first to the last, as an action hands them on.
        const folded = [...new Set(changes.map((change) => change.id))].map((id) => {
          const own = changes.filter((change) => change.id === id);
          return { ...own[0]!, after: own.at(-1)!.after };
        });
        if (!folded.length) return;
        if (meddled) world.set(key("placement", folded[0]!.id), { position: 99 });
        const before = structuredClone([...world]);
        expect(apply(world, turned(folded))).toBe(!meddled);
        expect([...world]).toEqual(meddled ? before : start);
      },
    ),
  );
});

test("what was not there, and what is there with other fields", () => {
  const made: Change = { thing: "tag", id: "t", before: null, after: { name: "moss" } };
  expect(clashing([made], () => null)).toEqual([]);
  expect(clashing([made], () => ({ name: "moss" }))).toEqual([made]);
  expect(clashing(turned([made]), () => ({ name: "moss", key: "moss" }))).toEqual([]);
  expect(
    difference("resource", "r", { authors: ["A"], title: "x" }, { authors: ["A"], title: "x" }),
  ).toBeNull();
});
