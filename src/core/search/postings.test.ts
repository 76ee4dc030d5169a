import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { type Block, FIRST, FULL, workIn } from "./blocks";
import { compareIds, idAt, numbersOf } from "./ids";
import { Postings } from "./postings";
import { rank, rarity } from "./rank";

const uuid = fc.uuid();
const rowsOf = (postings: Postings) =>
  Array.from({ length: postings.length }, (_, i) => [postings.resourceAt(i), postings.weights[i]!] as const);
const weights = fc.dictionary(uuid, fc.integer({ min: 1, max: 2_200 }), { maxKeys: 40 });
const of = (weighed: Record<string, number>) =>
  Postings.of(Object.entries(weighed).map(([resource, weight]) => ({ resource, weight })));
const sorted = (weighed: Record<string, number>) =>
  Object.entries(weighed)
    .filter(([, weight]) => weight > 0)
    .sort(([a], [b]) => (a < b ? -1 : 1));

/** The nth id of a made-up team, in order; the digits are those of a version 7. */
const nth = (n: number) => `0199${n.toString(16).padStart(4, "0")}-1000-7000-8000-00000000000${n % 7}`;

describe("lists of postings", () => {
  test("ids as numbers are the same ids in the same order", () => {
    fc.assert(
      fc.property(uuid, uuid, (a, b) => {
        const ids = Uint32Array.from([...numbersOf(a), ...numbersOf(b)]);
        expect([idAt(ids, 0), idAt(ids, 1)]).toEqual([a, b]);
        expect(Math.sign(compareIds(ids, 0, ids, 1))).toBe(a < b ? -1 : a > b ? 1 : 0);
      }),
    );
  });

  test("which of some are in it is what asking of each would say", () => {
    fc.assert(
      fc.property(weights, fc.array(uuid), (listed, more) => {
        const list = of(listed);
        const those = [...new Set([...Object.keys(listed).filter((_, i) => i % 2), ...more])].sort();
        const asked = Postings.of(those.map((resource) => ({ resource, weight: 0 })));
        expect(list.whichOf(asked).map((place) => those[place])).toEqual(those.filter((id) => list.has(id)));
      }),
    );
  });

  test("changed, packed and read again, a list holds what it should", () => {
    fc.assert(
      fc.property(weights, weights, fc.array(fc.nat({ max: 60 })), (before, more, cuts) => {
        // Some of what is there already is taken out or changed.
        const changes = { ...more };
        Object.keys(before).forEach((id, i) => i % 3 && (changes[id] = i % 3 === 1 ? 0 : 7));
        const after = of(before).with(of(changes));
        const expected = sorted({ ...before, ...changes });
        expect(rowsOf(after)).toEqual(expected);
        // In packs, which come in any order and begin anywhere in memory.
        const ends = [...cuts, after.length].sort((a, b) => a - b);
        const packs = ends.map((end, i) => after.slice(ends[i - 1] ?? 0, end).pack());
        const shifted = packs.map((pack) => Uint8Array.from([0, ...pack]).subarray(1));
        expect(rowsOf(Postings.read(shifted.toReversed()))).toEqual(expected);
        for (const [id] of Object.entries(before)) expect(after.has(id)).toBe((changes[id] ?? 1) > 0);
      }),
    );
  });

  test("in blocks: whatever comes and goes, each holds what lies between its start and the next, and is not too long", () => {
    const change = fc.record({
      from: fc.nat({ max: 2_000 }),
      count: fc.integer({ min: 1, max: 900 }),
      step: fc.integer({ min: 1, max: 5 }),
      weight: fc.nat({ max: 3 }),
    });
    let [most, emptied] = [0, 0];
    fc.assert(
      fc.property(fc.array(change, { maxLength: 12 }), (rounds) => {
        let blocks: Block[] = [];
        const expected = new Map<string, number>();
        for (const { from, count, step, weight } of rounds) {
          const rows = Array.from({ length: count }, (_, i) => ({ resource: nth(from + i * step), weight }));
          const changes = Postings.of(rows);
          const [low, high] = [rows[0]!.resource, rows.at(-1)!.resource];
          const first = blocks.findLastIndex((block) => block.start <= low);
          const reached = blocks.filter((block, i) => i >= first && block.start <= high);
          const { written, gone, grown } = workIn(reached, changes);
          const was = expected.size;
          for (const row of rows)
            if (row.weight) expected.set(row.resource, row.weight);
            else expected.delete(row.resource);
          expect(grown).toBe(expected.size - was);
          const starts = new Set([...written.map((block) => block.start), ...gone]);
          blocks = [...blocks.filter((block) => !starts.has(block.start)), ...written].sort((a, b) =>
            a.start < b.start ? -1 : 1,
          );
          emptied += gone.length;
          most = Math.max(most, blocks.length);
        }
        expect(rowsOf(Postings.read(blocks.map((block) => block.postings.pack())))).toEqual(
          [...expected].sort(([a], [b]) => (a < b ? -1 : 1)),
        );
        blocks.forEach(({ start, postings }, i) => {
          expect(postings.length).toBeGreaterThan(0);
          expect(postings.length).toBeLessThanOrEqual(FULL);
          expect(postings.resourceAt(0) >= start).toBe(true);
          const next = blocks[i + 1]?.start ?? "g";
          expect(postings.resourceAt(postings.length - 1) < next).toBe(true);
        });
      }),
    );
    expect(most).toBeGreaterThan(3);
    expect(emptied).toBeGreaterThan(0);
  });

  test("what comes one after the other fills blocks, and what comes between finds room", () => {
    let blocks: Block[] = [];
    const put = (n: number, reached: Block[]) => {
      const { written, gone } = workIn(reached, Postings.of([{ resource: nth(n), weight: 1 }]));
      const starts = new Set([...written.map((block) => block.start), ...gone]);
      blocks = [...blocks.filter((block) => !starts.has(block.start)), ...written].sort((a, b) =>
        a.start < b.start ? -1 : 1,
      );
    };
    for (let n = 0; n < 2 * FULL + 10; n++) put(2 * n, blocks.slice(-1));
    expect(blocks.map((block) => block.postings.length)).toEqual([FULL, FULL, 10]);
    expect(blocks[0]!.start).toBe(FIRST);
    for (let n = 0; n < 20; n++) put(2 * n + 1, [blocks.findLast((block) => block.start <= nth(2 * n + 1))!]);
    expect(blocks.map((block) => block.postings.length)).toEqual([FULL / 2 + 20, FULL / 2, FULL, 10]);
  });
});

describe("ranking", () => {
  const TERMS = ["ash", "bog", "carr", "dew", "elm", "fen"] as const;
  const term = fc.constantFrom(...TERMS);
  const resource = fc.nat({ max: 70 }).map(nth);
  const list = fc.dictionary(resource, fc.integer({ min: 1, max: 9 }), { minKeys: 20, maxKeys: 60 });

  test("page by page, it is what adding up all postings gives", () => {
    const sizes: number[] = [];
    fc.assert(
      fc.property(
        fc.tuple(list, list, list, list, list, list),
        fc.array(fc.array(term, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 3 }),
        fc.array(term, { maxLength: 1 }),
        fc.option(fc.uniqueArray(resource, { minLength: 30 }), { nil: undefined }),
        (weighed, words, without, among) => {
          const held: Record<string, Record<string, number>> = Object.fromEntries(
            TERMS.map((name, i) => [name, weighed[i]!]),
          );
          const lists = new Map(Object.entries(held).map(([name, its]) => [name, of(its)]));
          const factor = (name: string) => name.charCodeAt(0) - 90;
          const wanted = [...new Set(words.flat())];
          const expected = [...new Set(weighed.flatMap((its) => Object.keys(its)))]
            .filter((id) => words.every((terms) => terms.some((name) => held[name]?.[id])))
            .filter((id) => !without.some((name) => held[name]?.[id]))
            .filter((id) => !among || among.includes(id))
            .map((id) => ({
              id,
              score: wanted.reduce((sum, name) => sum + (held[name]?.[id] ?? 0) * factor(name), 0),
            }));
          const left = without.flatMap((name) => lists.get(name) ?? []);
          const all = rank(words, lists, factor, left);
          const ranking = among ? all.among(Postings.unweighted(among)) : all;
          for (const order of ["best", "newest"] as const) {
            const found: { id: string; score: number }[] = [];
            for (;;) {
              const from = ranking.upTo(order, found.at(-1) ?? null);
              const page = ranking.hits(order, from, from + 4);
              found.push(...page);
              if (page.length < 4) break;
            }
            expect(found).toEqual(
              expected.toSorted(
                (a, b) => (order === "best" ? b.score - a.score : 0) || (a.id < b.id ? 1 : -1),
              ),
            );
          }
          sizes.push(expected.length);
        },
      ),
    );
    expect(sizes.filter((size) => size > 8).length).toBeGreaterThan(20);
  });

  test("a place in the order is found though its hit is gone", () => {
    const lists = new Map([["fen", of({ [nth(1)]: 5, [nth(2)]: 9, [nth(4)]: 5 })]]);
    const ranking = rank([["fen"]], lists, () => 2);
    expect(ranking.hits("best", 0, 9).map((hit) => hit.id)).toEqual([nth(2), nth(4), nth(1)]);
    expect(ranking.upTo("best", { id: nth(3), score: 10 })).toBe(2);
    expect(ranking.upTo("best", { id: nth(3), score: 12 })).toBe(1);
    expect(ranking.upTo("newest", { id: nth(3), score: 0 })).toBe(1);
  });

  test("the rarer a term, the more it counts, and the commonest a little", () => {
    expect([rarity(1_000, 1), rarity(1_000, 500), rarity(1_000, 1_000)]).toEqual([650, 69, 1]);
  });
});
