import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { groupBy } from "@/core/list/group-by";
import { idf, weigh, type Weighed } from "@/core/search/weigh";
import { fitting } from "@/core/feeds/fitting";
import { nearest } from "@/core/shelves/near";
import { textOf, type Truth, TRUTHS } from "./near-truths";

/** What scikit-learn finds by TF-IDF and cosine, recorded by tests/outside/alike.mjs. */
const { said } = JSON.parse(readFileSync("tests/outside/said/alike.json", "utf8")) as {
  said: Record<string, [string, number][]>;
};
const SUBJECT = new Map(TRUTHS.map((one) => [one.id, one.subject]));
const N = TRUTHS.length;

/** Of ten that are found, how many are of the same subject. */
function precision(found: (one: Truth) => string[]): number {
  let right = 0;
  for (const one of TRUTHS)
    right += found(one)
      .slice(0, 10)
      .filter((id) => SUBJECT.get(id) === one.subject).length;
  // Each has nine of its own subject beside it.
  return right / (9 * N);
}

/** In how many of all each is. */
const countIn = (all: readonly (readonly string[])[]) => {
  const df = new Map<string, number>();
  for (const some of all) for (const one of new Set(some)) df.set(one, (df.get(one) ?? 0) + 1);
  return df;
};

const TERMS = new Map<string, Weighed[]>(
  TRUTHS.map(({ id, title, description, tags, items }) => [
    id,
    weigh({
      ...{ title, description, tags, source: [], text: "", notes: "", marks: [], language: "xx" },
      contexts: items.flatMap((item) => [item.title, item.context]),
    }),
  ]),
);
const dfOfTerms = countIn([...TERMS.values()].map((terms) => terms.map((one) => one.term)));
const pagesOf = (one: Truth) => [...new Set(one.items.map((item) => item.address))];
const dfOfPages = countIn(TRUTHS.map(pagesOf));
const dfOfTags = countIn(TRUTHS.map((one) => one.tags));

/** As it is looked for in the index: by the 32 terms that tell most, their weights and how rare they are, squared. */
function byWords(one: Truth): { own: number; of: Map<string, number> } {
  const telling = TERMS.get(one.id)!
    .slice(0, 160)
    .map(({ term, weight }) => ({ term, weight, rare: idf(N, dfOfTerms.get(term)!) }))
    .sort((a, b) => b.weight * b.rare - a.weight * a.rare)
    .slice(0, 32);
  const rare = new Map(telling.map((each) => [each.term, each.rare ** 2]));
  const sum = (terms: readonly Weighed[]) =>
    terms.reduce((all, { term, weight }) => all + weight * (rare.get(term) ?? 0), 0);
  return {
    own: telling.reduce((all, each) => all + each.weight * each.rare ** 2, 0),
    of: new Map(TRUTHS.filter((each) => each !== one).map(({ id }) => [id, sum(TERMS.get(id)!)])),
  };
}

function near(one: Truth, by: { pages: boolean; tags: boolean; words: boolean }): string[] {
  const words = byWords(one);
  const [pages, tags] = [new Set(pagesOf(one)), new Set(one.tags)];
  const met = TRUTHS.filter((each) => each !== one).map((each) => ({
    ...{ id: each.id, size: pagesOf(each).length, tagged: new Set(each.tags).size },
    addresses: by.pages ? pagesOf(each).flatMap((page) => (pages.has(page) ? dfOfPages.get(page)! : [])) : [],
    tags: by.tags
      ? [...new Set(each.tags)].flatMap((name) => (tags.has(name) ? { name, df: dfOfTags.get(name)! } : []))
      : [],
    words: by.words ? words.of.get(each.id)! : 0,
  }));
  const own = { size: pages.size, tagged: tags.size, words: by.words ? words.own : 0 };
  return nearest(own, met, N).map((each) => each.id);
}

describe("Similar collections, beside what is known and beside TF-IDF by scikit-learn", () => {
  const theirs = precision((one) => said[one.id]!.map(([id]) => id));

  test("by words alone it finds more of the subject than the cosine of all words does", () => {
    const ours = precision((one) => {
      const { of } = byWords(one);
      return [...of].sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1)).map(([id]) => id);
    });
    expect(theirs).toBeGreaterThan(0.5);
    expect(ours).toBeGreaterThan(theirs);
    expect(ours).toBeGreaterThan(0.9);
  });

  test("pages, subjects and words together find more of the subject than any of them, and than the cosine of words", () => {
    const all = precision((one) => near(one, { pages: true, tags: true, words: true }));
    for (const by of ["pages", "tags", "words"] as const)
      expect(all).toBeGreaterThanOrEqual(
        precision((one) => near(one, { ...{ pages: false, tags: false, words: false }, [by]: true })),
      );
    expect(all).toBeGreaterThan(theirs);
    expect(all).toBeGreaterThan(0.9);
  });

  test("what fits best by the cosine is among the first three that would fit", () => {
    // Every word counts as often as it stands there, as scikit-learn counts it.
    const terms = (one: Truth) =>
      [...groupBy(textOf(one).split(" "), (word) => word)].map(([term, all]) => ({
        ...{ term, weight: all.length, word: term },
      }));
    const all = TRUTHS.map((one) => ({ id: one.id, terms: terms(one) }));
    let [same, of] = [0, 0];
    for (const one of all.slice(0, 30)) {
      const found = fitting(
        one.terms,
        all.filter((each) => each !== one),
      );
      const [first] = said[one.id]!;
      of++;
      if (found.slice(0, 3).some((each) => each.id === first![0])) same++;
    }
    expect(same / of).toBeGreaterThan(0.9);
  });
});
