import { expect, test } from "vitest";
import { lacking, lift, type Met, nearest } from "./near";

const met = (id: string, more: Partial<Met> = {}): Met => ({
  ...{ id, addresses: [], size: 10, tags: [], tagged: 3, words: 0, ...more },
});
const own = { size: 10, tagged: 3, words: 100 };
const order = (all: Met[]) => nearest(own, all, 1_000).map((one) => one.id);

test("rare pages both have bring nearer than common ones, and a few of few than a few of many", () => {
  expect(order([met("common", { addresses: [400, 300] }), met("rare", { addresses: [2, 3] })])).toEqual([
    "rare",
    "common",
  ]);
  expect(
    order([met("large", { addresses: [2, 3], size: 900 }), met("small", { addresses: [2, 3], size: 5 })]),
  ).toEqual(["small", "large"]);
});

test("why it is near is said; what shares nothing that says something is not near", () => {
  const [near, ...rest] = nearest(
    own,
    [
      met("a", {
        addresses: [3],
        tags: [
          { name: "peat", df: 90 },
          { name: "dipwell", df: 4 },
        ],
        words: 40,
      }),
      met("b", { words: 19 }),
    ],
    1_000,
  );
  expect(near).toMatchObject({ id: "a", pages: 1, tags: ["dipwell", "peat"], alike: true });
  expect(rest).toEqual([]);
});

test("a collection is as near to itself as can be", () => {
  const [one] = nearest(
    { size: 2, tagged: 1, words: 50 },
    [met("self", { addresses: [1, 1], size: 2, tags: [{ name: "t", df: 1 }], tagged: 1, words: 50 })],
    1_000,
  );
  expect(one!.score).toBeCloseTo(2.5);
});

test("what near ones have and this one lacks comes in the order of how many, and how near they are", () => {
  const found = lacking(
    [
      { score: 1, items: [{ key: "x" }, { key: "own" }, { key: "x" }] },
      { score: 0.4, items: [{ key: "y" }, { key: "z" }] },
      { score: 0.3, items: [{ key: "y" }] },
    ],
    new Set(["own"]),
  );
  expect(found.map((one) => [one.item.key, one.in])).toEqual([
    ["x", 1],
    ["y", 2],
    ["z", 1],
  ]);
});

/**
 * The tea and coffee of Brin, Motwani and Silverstein, Beyond market baskets (SIGMOD 1997), section 1: of 100 buyers 25 buy
 * tea, 90 coffee, 20 both; 0.2 / (0.25 · 0.9) = 0.89. (From memory.)
 */
test("lift is what the textbook has, and below the floor nothing is said", () => {
  expect(lift(20, 25, 90, 100)).toBeCloseTo(0.889, 3);
  expect(lift(3, 3, 3, 100)).toBeCloseTo(33.33, 2);
  expect(lift(2, 2, 2, 100)).toBeNull();
});

/** 200 collections of 10 topics: of 30 pages twelve are of the topic, the others of everybody; so are two subjects of five. */
test("of the ten nearest, nine are of the planted topic, though most pages and subjects are of everybody", () => {
  let state = 7;
  const roll = () => (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
  const some = (many: number, name: string, of: number, often = 1) =>
    Array.from({ length: many }, () => `${name} ${Math.floor(of * roll() ** often)}`);
  const all = Array.from({ length: 200 }, (_, i) => ({
    ...{ id: String(i), topic: i % 10 },
    pages: new Set([...some(12, `page of ${i % 10}`, 60), ...some(18, "page", 400, 3)]),
    tags: new Set([...some(2, `tag of ${i % 10}`, 5), ...some(3, "tag", 20, 2)]),
  }));
  const count = (of: "pages" | "tags", one: string) => all.filter((each) => each[of].has(one)).length;
  const dfs = new Map(
    (["pages", "tags"] as const).flatMap((of) =>
      [...new Set(all.flatMap((each) => [...each[of]]))].map((one) => [one, count(of, one)] as const),
    ),
  );
  let [right, of] = [0, 0];
  for (const one of all) {
    const found = nearest(
      { size: one.pages.size, tagged: one.tags.size, words: 0 },
      all
        .filter((each) => each !== one)
        .map((each) => ({
          ...{ id: each.id, size: each.pages.size, tagged: each.tags.size, words: 0 },
          addresses: [...each.pages].filter((page) => one.pages.has(page)).map((page) => dfs.get(page)!),
          tags: [...each.tags]
            .filter((tag) => one.tags.has(tag))
            .map((name) => ({ name, df: dfs.get(name)! })),
        })),
      all.length,
    ).slice(0, 10);
    right += found.filter((each) => all[Number(each.id)]!.topic === one.topic).length;
    of += found.length;
  }
  expect(right / of).toBeGreaterThan(0.95);
});
