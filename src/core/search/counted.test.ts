import fc from "fast-check";
import { expect, test } from "vitest";
import { type Counted, countedOf, differences, readCounted, writeCounted } from "./counted";

const facts = fc.record({
  kind: fc.constantFrom("page", "video"),
  site: fc.constantFrom("", "bog.example", "fen.example"),
  person: fc.constantFrom("ama", "ben"),
  month: fc.constantFrom("2026-03", "2026-04"),
  minutes: fc.option(fc.nat(90)),
  states: fc.record({ dead: fc.boolean(), untagged: fc.boolean() }),
});
const counted = fc.tuple(facts, fc.uniqueArray(fc.constantFrom("peat", "fen", "bog"))).map(([fact, tags]) =>
  countedOf(
    fact,
    tags.map((tag) => [tag, "2026-05"]),
  ),
);

test("what is counted of a resource is read as it was written", () => {
  const months = {
    site: "",
    person: "ama",
    month: "2026-03",
    minutes: 16,
    kind: "page",
    states: { dead: true },
  };
  const lines = writeCounted(countedOf(months, [["peat", "2026-05"], ["fen", "2026-05"]])); // prettier-ignore
  expect(lines.split("\n")).toEqual([
    "kind page",
    "person ama",
    "month 2026-03",
    "length 2",
    "state dead",
    "tag peat",
    "tagged 2026-05 2",
    "tag fen",
  ]);
  fc.assert(
    fc.property(counted, (one) => {
      expect(readCounted(writeCounted(one))).toEqual(one);
    }),
  );
  expect(readCounted("")).toEqual(new Map());
});

test("differences added up are what is there, whatever became what in which order", () => {
  const steps = fc.array(fc.tuple(fc.nat(4), fc.option(counted)), { maxLength: 40 });
  fc.assert(
    fc.property(steps, fc.integer({ min: 1, max: 7 }), (all, together) => {
      const there = new Map<number, Counted>();
      const sums = new Map<string, number>();
      for (let i = 0; i < all.length; i += together) {
        // Of one that changes twice in a batch the last state counts, once.
        const last = new Map(all.slice(i, i + together));
        const changes = [...last].map(([id, now]) => ({
          counted: there.get(id) ?? new Map<string, number>(),
          now: now ?? new Map<string, number>(),
        }));
        for (const { facet, value, by } of differences(changes))
          sums.set(`${facet} ${value}`, (sums.get(`${facet} ${value}`) ?? 0) + by);
        for (const [id, now] of last) there.set(id, now ?? new Map());
      }
      const anew = differences([...there.values()].map((now) => ({ counted: new Map(), now })));
      expect([...sums].filter(([, n]) => n).sort()).toEqual(
        anew.map(({ facet, value, by }) => [`${facet} ${value}`, by]).sort(),
      );
    }),
  );
});
