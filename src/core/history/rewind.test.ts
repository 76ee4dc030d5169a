import fc from "fast-check";
import { expect, test } from "vitest";
import type { Change, Fields } from "./change";
import { nameOf, rewind } from "./rewind";

const step = fc.record({
  id: fc.constantFrom("a", "b", "c"),
  field: fc.constantFrom("title", "position"),
  value: fc.nat(9),
  what: fc.constantFrom("change", "remove", "restore"),
});

test("from any end and any stretch of a history one comes back to where it began", () => {
  fc.assert(
    fc.property(fc.array(step, { maxLength: 30 }), fc.nat(30), (steps, from) => {
      const now = new Map<string, Fields>();
      const states: Map<string, Fields>[] = [new Map(now)];
      const changes: Change[] = [];
      for (const { id, field, value, what } of steps) {
        const name = nameOf("section", id);
        const old = now.get(name) ?? { gone: true, title: null, position: null };
        const after = what === "change" ? { [field]: value } : { gone: what === "remove" };
        const before = Object.fromEntries(Object.keys(after).map((key) => [key, old[key]]));
        changes.push({ type: "section", id, before, after });
        now.set(name, { ...old, ...after });
        states.push(new Map(now));
      }
      const start = Math.min(from, steps.length);
      const then = rewind(now, changes.slice(start));
      for (const [name, fields] of states[start]!) expect(then.get(name)).toEqual(fields);
      // What came later was not there.
      for (const name of then.keys()) if (!states[start]!.has(name)) expect(then.get(name)?.gone).toBe(true);
    }),
  );
});
