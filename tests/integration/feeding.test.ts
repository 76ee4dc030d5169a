import { eq, sql } from "drizzle-orm";
import fc from "fast-check";
import { expect, test } from "vitest";
import { weigh } from "@/core/search/weigh";
import { placement, resource, reindexQueue, termPosting, termStat } from "@/data/schema";
import {
  dropFromReindexQueue,
  haveIndex,
  lockIndex,
  readReindexQueue,
  writeTerms,
} from "@/data/search/index-writes";
import { hasManyPending, packPending } from "@/data/search/pending";
import { readPostings } from "@/data/search/postings";
import { countIndexed, dfOf, lookUp, termsBeginning } from "@/data/search/terms";
import { database } from "@/mechanism/changing";
import type { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { feedSome, packTeam } from "@/services/search/feed";
import { as, makeWorld } from "./world";

/** What nothing is counted of; counts have a test of their own. */
const UNCOUNTED = { counted: new Map<string, number>(), now: new Map<string, number>() };

test("rows are found by their keys: what others hold in the same small table is not waited for", async () => {
  const { team, resource: of } = await makeWorld();
  const rows = Array.from({ length: 60 }, () => ({ id: newId(), resource: of, team }));
  await database().insert(reindexQueue).values(rows);
  const mine = () => database().select().from(reindexQueue).where(eq(reindexQueue.team, team));
  const [held, ...free] = await mine();
  await database().transaction(async (holder) => {
    await holder.select().from(reindexQueue).where(eq(reindexQueue.id, held!.id)).for("update");
    await database().transaction(async (other) => {
      await other.execute(sql`SET SESSION innodb_lock_wait_timeout = 1`);
      try {
        await dropFromReindexQueue(
          other,
          free.map((row) => row.id),
        );
      } finally {
        await other.execute(sql`SET SESSION innodb_lock_wait_timeout = DEFAULT`);
      }
    });
  });
  expect(free.length).toBeGreaterThanOrEqual(60);
  expect(await mine()).toEqual([held]);
});

test("while somebody feeds a team, saving there goes on, and another feeder takes another team", async () => {
  const [busy, other] = [await makeWorld(), await makeWorld()];
  const dueIn = (team: string) => database().$count(reindexQueue, eq(reindexQueue.team, team));
  while ((await feedSome()) > 0);
  for (const { editor, resource } of [busy, other])
    await as(editor, "resources.edit", { resource, title: "Changed before" });
  await database().transaction(async (feeder) => {
    expect(await lockIndex(feeder, busy.team, true)).toBe(true);
    await readReindexQueue(feeder, busy.team, 200);
    await as(busy.editor, "resources.edit", { resource: busy.resource, title: "Changed meanwhile" });
    expect(await feedSome()).toBe(1);
    expect([await dueIn(busy.team), await dueIn(other.team)]).toEqual([2, 0]);
    expect(await feedSome()).toBe(0);
  });
  while ((await feedSome()) > 0);
  expect(await dueIn(busy.team)).toBe(0);
});

test("whoever feeds a team for the first time at the same time as others is done when nothing is due", async () => {
  for (let i = 0; i < 4; i++) {
    const { team } = await makeWorld();
    const due = () => database().$count(reindexQueue, eq(reindexQueue.team, team));
    expect(await due()).toBeGreaterThan(0);
    await Promise.all(
      [0, 1, 2].map(async () => {
        while ((await feedSome(team)) > 0);
        expect(await due()).toBe(0);
      }),
    );
  }
});

test("fed by four at once while things change, the index is what the words are", async () => {
  const busy = await makeWorld();
  const made: string[] = [];
  for (let i = 0; i < 12; i++)
    made.push(
      (await as(busy.editor, "capture.note", { team: busy.team, text: `Note ${i} about peat` })).resource.id,
    );
  await Promise.all([
    ...[0, 1, 2, 3].map(async () => {
      for (let i = 0; i < 12; i++) await feedSome(busy.team, 4);
    }),
    ...[0, 1].map(async (n) => {
      for (let i = 0; i < 20; i++)
        await as(busy.editor, "resources.edit", {
          resource: made[(i * 5 + n) % 12]!,
          title: `Title ${i} of ${n} with rain`,
        }).catch((error: Problem) => {
          // What is in the bin by then cannot be changed.
          if (error.kind !== "not-found") throw error;
        });
    }),
    (async () => {
      for (let i = 0; i < 6; i++) await as(busy.editor, "resources.remove", { resource: made[i]! });
    })(),
  ]);
  while ((await feedSome(busy.team)) > 0);
  expect(await database().select().from(reindexQueue).where(eq(reindexQueue.team, busy.team))).toEqual([]);
  // Every posting is what the words of a living resource weigh now, and the counts are the postings'.
  const living = await database()
    .select()
    .from(resource)
    .where(sql`${resource.team} = ${busy.team} and ${resource.deletedAt} is null`);
  const expected: Index = new Map();
  for (const row of living) {
    const places = await database().select().from(placement).where(eq(placement.resource, row.id));
    for (const { term, weight } of weigh({
      title: row.title,
      tags: [],
      marks: [],
      contexts: places.flatMap((one) => [one.heading, one.context].filter(Boolean)),
      notes: row.notes,
      description: row.description,
      source: [row.siteName, row.host, ...row.authors].filter(Boolean),
      text: "",
      language: row.language,
    })) {
      if (!expected.has(term)) expected.set(term, new Map());
      expected.get(term)!.set(row.id, weight);
    }
  }
  expect(await readIndex(busy.team)).toEqual(expected);
  expect(await countIndexed(database(), busy.team)).toBe(living.length);
  // Packed, it is the same.
  await packTeam(busy.team);
  expect(await hasManyPending(database(), busy.team, 0)).toBe(false);
  expect(await readIndex(busy.team)).toEqual(expected);
});

/** What the index holds: terms, their resources, the weights. */
type Index = Map<string, Map<string, number>>;

/** The index of a team as a search reads it; how often terms are found is what is said of them. */
async function readIndex(team: string): Promise<Index> {
  const terms = await termsOf(team);
  const index: Index = new Map();
  for (const [term, postings] of await readPostings(database(), team, terms)) {
    const ids = Array.from({ length: postings.length }, (_, i) => postings.resourceAt(i));
    if (ids.length) index.set(term, new Map(ids.map((id, i) => [id, postings.weights[i]!])));
  }
  const counts = await dfOf(database(), team, terms);
  expect(new Map([...counts].filter(([, df]) => df !== 0))).toEqual(
    new Map([...index].map(([term, its]) => [term, its.size])),
  );
  return index;
}

/**
 * What a search learns of an unfinished word: its terms with their lists.
 * @returns and of how many the list was known without being read
 */
async function readPrefixMatches(team: string, prefix: string): Promise<{ index: Index; known: number }> {
  const groups = [{ typed: prefix, terms: [], prefix }];
  const { sought, lists } = await lookUp(database(), team, { groups, without: [] }, 0);
  const index: Index = new Map();
  for (const { term, df } of sought[0]!.terms) {
    const postings = lists.get(term) ?? (await readPostings(database(), team, [term])).get(term)!;
    expect(postings.length).toBe(df);
    index.set(term, new Map(Array.from(postings.weights, (weight, i) => [postings.resourceAt(i), weight])));
  }
  return { index, known: lists.size };
}

/** How changes come into the index: each noted, all packed at once, or the terms of which several changed. */
const LIMITS = {
  noted: { all: Infinity, ofOne: Infinity },
  packed: { all: 0, ofOne: 0 },
  both: { all: Infinity, ofOne: 2 },
};

async function termsOf(team: string): Promise<string[]> {
  const [rows] = (await database().execute(sql`
    SELECT DISTINCT term FROM (SELECT term FROM ${termStat} WHERE team = ${team}
      UNION SELECT term FROM ${termPosting} WHERE team = ${team}) t WHERE term <> ''`)) as unknown as [
    { term: string }[],
  ];
  return rows.map((row) => row.term);
}

test("noted one by one, packed with many others or later, or some so and some so: the index is what was fed last", async () => {
  const word = fc.constantFrom("alder", "Birke", "c++", "dam", "écluse", "fen", "水位", "sphagnum");
  const words = fc.dictionary(word, fc.integer({ min: 1, max: 2_200 }));
  const step = fc.record({
    fed: fc.dictionary(fc.nat({ max: 11 }).map(String), words, { minKeys: 1 }),
    how: fc.constantFrom("noted", "packed", "both"),
    pack: fc.option(fc.integer({ min: 1, max: 20 })),
  });
  const seen = { noted: 0, packed: 0, both: 0, steps: 0, known: 0 };
  await fc.assert(
    fc.asyncProperty(fc.array(step, { maxLength: 8 }), async (steps) => {
      const team = newId();
      const resources = Array.from({ length: 12 }, newId);
      await haveIndex(database(), team);
      const expected: Index = new Map();
      const holds = new Map<string, Map<string, number>>();
      for (const { fed, how, pack } of steps) {
        const feedings = Object.entries(fed).map(([i, weights]) => {
          const id = resources[Number(i)]!;
          const indexed = holds.get(id);
          holds.set(id, new Map(Object.entries(weights)));
          for (const its of expected.values()) its.delete(id);
          for (const [term, weight] of Object.entries(weights)) {
            if (!expected.has(term)) expected.set(term, new Map());
            expected.get(term)!.set(id, weight);
          }
          const after = Object.entries(weights).map(([term, weight]) => ({ term, weight, word: term }));
          return {
            ...UNCOUNTED,
            resource: id,
            fed: !!indexed,
            indexed: indexed ?? new Map<string, number>(),
            after,
          };
        });
        seen[how]++;
        await database().transaction(async (tx) => {
          await lockIndex(tx, team, true);
          await writeTerms(tx, team, feedings, LIMITS[how]);
          if (pack && (await packPending(tx, team, pack))) seen.steps++;
        });
        const full = new Map([...expected].filter(([, its]) => its.size));
        for (const start of ["al", "d", "f", "s"]) {
          const begun = await readPrefixMatches(team, start);
          expect(begun.index).toEqual(new Map([...full].filter(([term]) => term.startsWith(start))));
          seen.known += begun.known;
        }
        expect(await readIndex(team)).toEqual(full);
        expect(await countIndexed(database(), team)).toBe(
          [...holds.values()].filter((its) => its.size).length,
        );
        const [begun] = await termsBeginning(database(), team, "alde", 5);
        expect(begun?.df ?? 0).toBe(full.get("alder")?.size ?? 0);
      }
    }),
    { numRuns: 40 },
  );
  expect(Math.min(...Object.values(seen))).toBeGreaterThan(5);
});

test("an unfinished word of which much is noted stands for the same terms", async () => {
  const team = newId();
  await haveIndex(database(), team);
  const expected: Index = new Map([["peat", new Map()], ["peaty", new Map()]]); // prettier-ignore
  const feed = (many: number, noted: boolean) =>
    database().transaction(async (tx) => {
      await lockIndex(tx, team, true);
      const feedings = Array.from({ length: many }, (_, i) => {
        const id = newId();
        expected.get("peat")!.set(id, 7);
        if (i % 2) expected.get("peaty")!.set(id, 9);
        const after = [{ term: "peat", weight: 7, word: "peat" }, { term: "peaty", weight: 9, word: "peaty" }]; // prettier-ignore
        return { ...UNCOUNTED, resource: id, fed: false, indexed: new Map<string, number>(), after: after.slice(0, 1 + (i % 2)) };
      }); // prettier-ignore
      await writeTerms(tx, team, feedings, LIMITS[noted ? "noted" : "packed"]);
    });
  await feed(40, false);
  expect((await readPrefixMatches(team, "pea")).known).toBe(0);
  await feed(30, true);
  expect(await readPrefixMatches(team, "pea")).toEqual({ index: expected, known: 2 });
  await feed(400, true);
  expect(await readPrefixMatches(team, "pea")).toEqual({ index: expected, known: 0 });
});

test("lists that are kept in the process are those of now, whoever has packed them since", async () => {
  const team = newId();
  const resources = Array.from({ length: 300 }, newId).sort();
  await haveIndex(database(), team);
  const feed = (some: readonly string[], weight: number, before: number | null) =>
    database().transaction(async (tx) => {
      await lockIndex(tx, team, true);
      const feedings = some.map((id) => ({
        ...UNCOUNTED,
        resource: id,
        fed: before !== null,
        indexed: new Map<string, number>(before ? [["peat", before]] : []),
        after: weight ? [{ term: "peat", weight, word: "peat" }] : [],
      }));
      await writeTerms(tx, team, feedings, LIMITS.packed);
    });
  const weights = async () => {
    const postings = (await readPostings(database(), team, ["peat"])).get("peat");
    return postings ? [...postings.weights] : [];
  };
  await feed(resources, 7, null);
  expect(await weights()).toEqual(resources.map(() => 7));
  // Only a weight is another one, in the middle of the list; how many there are is as before.
  await feed(resources.slice(150, 151), 9, 7);
  expect(await weights()).toEqual(resources.map((_, i) => (i === 150 ? 9 : 7)));
  // Gone, and there again: the row of the term is a new one.
  await feed(resources.slice(0, 150), 0, 7);
  await feed(resources.slice(150, 151), 0, 9);
  await feed(resources.slice(151), 0, 7);
  expect(await weights()).toEqual([]);
  await feed(resources.slice(0, 3), 5, null);
  expect(await weights()).toEqual([5, 5, 5]);
  // Read while the blocks are exchanged again and again, it is always one of the states between them.
  let done = false;
  const writing = (async () => {
    for (let i = 5; i < 45; i++) await feed(resources.slice(0, 3), i + 1, i);
    done = true;
  })();
  const seen = new Set<string>();
  while (!done) seen.add(String(await weights()));
  await writing;
  for (const one of seen) expect(new Set(one.split(",")).size).toBe(1);
  expect(seen.size).toBeGreaterThan(3);
  expect(await weights()).toEqual([45, 45, 45]);
});
