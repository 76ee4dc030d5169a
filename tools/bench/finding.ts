import { eq, sql } from "drizzle-orm";
import { rank, rarity } from "@/core/search/rank";
import { weigh } from "@/core/search/weigh";
import { suggestTags } from "@/core/tags/suggest";
import { resource, resourceText, termStat } from "@/data/schema";
import { readPostings } from "@/data/search/postings";
import { reindexResources } from "@/data/search/reindex-queue";
import { countIndexed } from "@/data/search/terms";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { feedSome } from "@/services/search/feed";
import { as } from "./fill";
import { giveMarks, measureMarked } from "./finding-marks";
import { settled } from "./settled";
import { feedAll, giveTexts, textOf, WORDS } from "./texts";
import { type Figure, median, timed } from "./figures";

const p95 = (values: number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length * 0.95)]!;
const ms = (value: number) => `${value < 10 ? value.toFixed(1) : value.toFixed(0)} ms`;

/** So many of the large team have a text that is indexed. Feeding them is most of this part's time. */
const TEXTS = 100_000;
/** So many of them are fed one by one; half of them warm up. */
const SINGLY = 120;

const figure = (what: string, measured: string, aim: string, met: boolean): Figure => ({
  what,
  measured,
  aim,
  met,
});

const ask =
  (actor: Actor) =>
  (team: string, query: string, more: object = {}) =>
    as(actor, "search.find", { team, query, ...more });

/** How long each round takes, after some that warm up. */
async function times(rounds: number, work: (i: number) => Promise<unknown>, warming = 3): Promise<number[]> {
  for (let i = 0; i < warming; i++) await work(i);
  const all: number[] = [];
  for (let i = 0; i < rounds; i++) all.push(await timed(() => work(i)));
  return all;
}

/** A process that answers searches has mostly answered some before: so many of each kind warm up, so many are measured. */
const WARMING = 60;
const SEARCHES = 200;
const searched = (work: (i: number) => Promise<unknown>) => times(SEARCHES, work, WARMING);

type Teams = { small: string; large: string };

/** What finding costs in a team of 100,000 resources with texts, beside a small one. */
export async function* measureFinding(
  actor: Actor,
  teams: Teams,
  few: readonly string[],
  many: readonly string[],
): AsyncGenerator<Figure> {
  yield* measureFeeding(teams, few, many);
  yield* measureSearch(actor, teams);
  yield* measureCounts(actor, teams);
  yield* measurePages(actor, teams, many);
  yield* measureSuggestions();
  await giveMarks(actor, teams.large, many);
  await settled();
  yield* measureMarked({
    searched,
    ask: (query) => ask(actor)(teams.large, query),
    say: (what, took, most) => figure(what, ms(p95(took)), `under ${most} ms`, p95(took) < most),
    ordinary: await ordinaryWords(teams.large),
  });
}

/** Words that stand in 200 to 1,000 texts. */
async function ordinaryWords(team: string): Promise<string[]> {
  const stats = await database()
    .select({ term: termStat.term })
    .from(termStat)
    .where(sql`${termStat.team} = ${team} AND ${termStat.df} BETWEEN 200 AND 1000 AND term <> ''`)
    .limit(200);
  return stats.map((row) => row.term);
}

async function* measureFeeding(
  teams: Teams,
  few: readonly string[],
  many: readonly string[],
): AsyncGenerator<Figure> {
  await giveTexts(few);
  await giveTexts(many.slice(0, TEXTS));
  await feedAll(teams.small, few);
  const bulk = await feedAll(teams.large, many.slice(0, 10_000));
  yield figure(
    "Feeding the search with 10,000 resources of 4 kB, in bulk",
    `${(bulk / 1000).toFixed(0)} s`,
    "under 60 s",
    bulk < 60_000,
  );
  await feedAll(teams.large, many.slice(10_000, TEXTS - SINGLY));
  await database().execute(sql`ANALYZE TABLE term_block, term_stat, resource, resource_tag, placement`);

  await settled();
  yield* measureOneFed(teams, many);
  await settled();
}

/** What feeding one resource with a text of 4 kB takes: when it comes in, and when something of it changes. */
async function* measureOneFed(teams: Teams, many: readonly string[]): AsyncGenerator<Figure> {
  const textIs = (id: string, n: number) =>
    database()
      .update(resourceText)
      .set({ text: textOf(n) })
      .where(eq(resourceText.resource, id));
  const titleIs = (id: string, title: string) =>
    database().update(resource).set({ title }).where(eq(resource.id, id));
  const changes: [what: string, aim: boolean, change: (id: string, i: number) => Promise<unknown>][] = [
    ["that has come in", true, async () => {}],
    ["that has another title", true, (id, i) => titleIs(id, `Another title, number ${i}`)],
    ["that has another text, all its words", false, (id, i) => textIs(id, 200_000 + i)],
  ];
  for (const [what, aim, change] of changes) {
    const took: number[] = [];
    for (const [i, id] of many.slice(TEXTS - SINGLY, TEXTS).entries()) {
      await change(id, i);
      await reindexResources(database(), [id]);
      const time = await timed(() => feedSome(teams.large));
      if (i >= SINGLY / 2) took.push(time);
    }
    yield figure(
      `Feeding the search with one resource of 4 kB ${what}, median of ${took.length}`,
      ms(median(took)),
      aim ? "under 8 ms" : "no aim",
      !aim || median(took) < 8,
    );
  }
}

/** What plain SQL takes for two very common words, a row for each posting: summed and sorted, and nothing around it. */
async function bareSearch(team: string): Promise<number[]> {
  await database().execute(sql`
    CREATE TABLE plain_posting (team UUID, term VARCHAR(40) COLLATE utf8mb4_bin, resource UUID, weight SMALLINT UNSIGNED,
      PRIMARY KEY (team, term, resource))`);
  for (const [term, postings] of await readPostings(database(), team, ["quokka", "wombat"])) {
    const rows = Array.from({ length: postings.length }, (_, i) => [
      postings.resourceAt(i),
      postings.weights[i],
    ]);
    await database().execute(sql`
      INSERT INTO plain_posting SELECT ${team}, ${term}, CAST(j.id AS UUID), j.weight FROM JSON_TABLE(
        ${JSON.stringify(rows)}, '$[*]' COLUMNS (id CHAR(36) PATH '$[0]', weight INT PATH '$[1]')) j`);
  }
  await database().execute(sql`ANALYZE TABLE plain_posting`);
  return times(30, () =>
    database().execute(sql`
      SELECT resource, SUM(weight * 70) AS score FROM plain_posting
      WHERE team = ${team} AND term IN ('quokka', 'wombat')
      GROUP BY resource HAVING COUNT(*) = 2 ORDER BY score DESC, resource DESC LIMIT 25`),
  );
}

async function* measureSearch(actor: Actor, teams: Teams): AsyncGenerator<Figure> {
  const bare = await bareSearch(teams.large);
  const empty = await searched(() => database().execute(sql`SELECT 1`));
  yield figure(
    "The machine meanwhile: an empty statement there and back, median; p95",
    `${ms(median(empty))}; ${ms(p95(empty))}`,
    "no aim",
    true,
  );
  const common = await searched(() => ask(actor)(teams.large, "quokka wombat"));
  yield figure(
    "Search among 100,000 texts, two very common words (50,000 each), p95 through the action beside the bare query",
    `${ms(p95(common))} to ${ms(p95(bare))} (${(p95(common) / p95(bare)).toFixed(2)})`,
    "under 150 ms and at most 2",
    p95(common) < 150 && p95(common) / p95(bare) <= 2,
  );
  const ordinary = await ordinaryWords(teams.large);
  const words = await searched((i) => ask(actor)(teams.large, `${ordinary[i % ordinary.length]} `));
  yield figure(
    "The same, an ordinary word (in 200 to 1,000 texts), p95",
    ms(p95(words)),
    "under 20 ms",
    p95(words) < 20,
  );
  const pairs = await searched((i) => ask(actor)(teams.large, `quokka ${ordinary[i % ordinary.length]} `));
  yield figure(
    "The same, an ordinary word beside a very common one, p95",
    ms(p95(pairs)),
    "under 20 ms",
    p95(pairs) < 20,
  );
  const prefix = await searched((i) => ask(actor)(teams.large, WORDS[300 + i * 11]!.slice(0, 5)));
  yield figure("The same, the beginning of a word of five letters, p95", ms(p95(prefix)), "no aim", true);
  const beside = await searched((i) =>
    ask(actor)(
      teams.small,
      ["quokka wombat", "quokka", "sphag", `${ordinary[i % ordinary.length]} wombat`][i % 4]!,
    ),
  );
  yield figure(
    "Search in a team of 2,000 beside it, whatever is asked, p95",
    ms(p95(beside)),
    "under 15 ms",
    p95(beside) < 15,
  );
}

async function* measureCounts(actor: Actor, teams: Teams): AsyncGenerator<Figure> {
  const facets = await times(10, (i) =>
    as(actor, "search.facets", { team: teams.large, query: `length:<${5 + i}` }),
  );
  yield figure(
    "Counts to narrow by, filtered, among 100,000, median of 10",
    ms(median(facets)),
    "under 150 ms",
    median(facets) < 150,
  );
  const kept = await times(10, () => as(actor, "search.facets", { team: teams.large, query: "" }));
  yield figure(
    "Counts of the whole catalogue, kept by difference, median of 10",
    ms(median(kept)),
    "under 20 ms",
    median(kept) < 20,
  );
  const tend = await times(10, () => as(actor, "tags.tend", { team: teams.large }));
  yield figure(
    "The Tags page of that team (200 tags, 200,000 uses), median of 10",
    ms(median(tend)),
    "under 150 ms",
    median(tend) < 150,
  );
}

async function* measurePages(
  actor: Actor,
  { large: team }: Teams,
  many: readonly string[],
): AsyncGenerator<Figure> {
  // Page 1,000 of 25: what stands 25,000 places further down.
  const last = many.toSorted().at(-25_001)!;
  const lists = await readPostings(database(), team, ["quokka"]);
  const indexed = await countIndexed(database(), team);
  const ranking = rank([["quokka"]], lists, (_, postings) => rarity(indexed, postings.length));
  const hit = ranking.at("best", 25_000);
  for (const [what, query, page1000] of [
    ["the newest", "", { after: last, score: 0 }],
    ["one very common word", "quokka ", { after: hit.id, score: hit.score }],
  ] as const) {
    const [near, far]: [number[], number[]] = [[], []];
    // In turns, so that neither has the warmer process; as it is asked for, page 1 says how many there are too.
    for (let i = 0; i < WARMING; i++) {
      near.push(await timed(() => ask(actor)(team, query, { most: 25 })));
      far.push(await timed(() => ask(actor)(team, query, { most: 25, ...page1000 })));
    }
    const [one, thousand] = [near, far].map((all) => median(all.slice(20))) as [number, number];
    const ratio = thousand / one;
    yield figure(
      `Page 1,000 beside page 1: ${what}, median of 40`,
      `${ratio.toFixed(2)} (${ms(thousand)} to ${ms(one)})`,
      "0.5 to 1.5",
      ratio >= 0.5 && ratio <= 1.5,
    );
  }
}

async function* measureSuggestions(): AsyncGenerator<Figure> {
  const terms = weigh({
    title: "",
    tags: [],
    contexts: [],
    marks: [],
    notes: "",
    description: "",
    source: [],
    text: textOf(5),
    language: "en",
  });
  const tags = WORDS.slice(0, 1_000).map((word, i) => `${word} ${WORDS[i + 7]}`);
  const suggest = await times(40, async () =>
    suggestTags(
      weigh({
        title: "",
        tags: [],
        contexts: [],
        marks: [],
        notes: "",
        description: "",
        source: [],
        text: textOf(5),
        language: "en",
      }),
      tags,
      Array.from({ length: 20 }, (_, i) => ({ tags: tags.slice(i, i + 5), likeness: i })),
    ),
  );
  yield figure(
    `Tags suggested for a text of 4 kB (${terms.length} terms) against 1,000 tags, p95`,
    ms(p95(suggest)),
    "under 20 ms",
    p95(suggest) < 20,
  );
}
