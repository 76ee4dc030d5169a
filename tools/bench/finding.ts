import { eq, sql } from "drizzle-orm";
import { suggestTags } from "@/core/tags/suggest";
import { weigh } from "@/core/search/weigh";
import { dueResources } from "@/data/queries/due";
import { resourceText, termPosting, termStat } from "@/data/schema";
import { database } from "@/services/action";
import type { Actor } from "@/services/actor";
import { feedSome } from "@/services/find/feed";
import { as } from "./fill";
import { type Figure, median, timed } from "./figures";

const p95 = (values: number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length * 0.95)]!;
const ms = (value: number) => `${value < 10 ? value.toFixed(1) : value.toFixed(0)} ms`;

/** Numbers that look random and are the same in every run. */
function dice(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state / 2_147_483_648;
  };
}
const SYLLABLES = [
  "mo",
  "ra",
  "ten",
  "li",
  "sphag",
  "kur",
  "dal",
  "wen",
  "ost",
  "ip",
  "ga",
  "nu",
  "bre",
  "sil",
];
/** The vocabulary: 20,000 made-up words; the first are the most used, as in every language (Zipf). */
const WORDS = Array.from({ length: 20_000 }, (_, i) => {
  let word = "";
  for (let n = i + 40; n > 0; n = Math.floor(n / SYLLABLES.length)) word += SYLLABLES[n % SYLLABLES.length]!;
  return `${word}x`;
});

/** A text of about 4 kB; `quokka` and `wombat` stand in every second one. */
function textOf(n: number): string {
  const roll = dice(n * 7 + 1);
  const words = Array.from({ length: 560 }, () => WORDS[Math.floor(WORDS.length ** roll()) - 1]!);
  if (n % 2 === 0) words.push("quokka", "quokka", "quokka");
  if (n % 4 < 2) words.push("wombat", "wombat", "wombat");
  return words.join(" ");
}

async function giveTexts(ids: readonly string[]): Promise<void> {
  const at = new Date();
  for (let from = 0; from < ids.length; from += 500) {
    const rows = ids.slice(from, from + 500).map((id, i) => ({
      resource: id,
      html: "",
      text: textOf(from + i),
      signature: "",
      origin: "fetched" as const,
      at,
    }));
    await database().insert(resourceText).values(rows);
  }
}

/** Feeds the index with these, two at a time as two workers do. */
async function feedAll(team: string, ids: readonly string[]): Promise<number> {
  await dueResources(database(), ids);
  return timed(() =>
    Promise.all(
      [0, 1].map(async () => {
        while ((await feedSome(team)) > 0);
      }),
    ),
  );
}

/** Of the large team so many have a text that is indexed; feeding more takes longer than anybody waits for a figure. */
const TEXTS = 30_000;

/** What finding costs in a team of 100,000 resources, 30,000 of them with texts, beside a small one. */
export async function measureFinding(
  actor: Actor,
  teams: { small: string; large: string },
  few: readonly string[],
  many: readonly string[],
): Promise<Figure[]> {
  const figures: Figure[] = [];
  const add = (what: string, measured: string, aim: string, met: boolean) =>
    figures.push({ what, measured, aim, met });
  await giveTexts(few);
  await giveTexts(many.slice(0, TEXTS));
  await feedAll(teams.small, few);
  const bulk = await feedAll(teams.large, many.slice(0, 10_000));
  add(
    "Feeding the search with 10,000 resources of 4 kB, in bulk",
    `${(bulk / 1000).toFixed(0)} s`,
    "under 60 s",
    bulk < 60_000,
  );
  await feedAll(teams.large, many.slice(10_000, TEXTS));
  await database().execute(sql`ANALYZE TABLE term_posting, term_stat, resource, resource_tag, placement`);

  const single: number[] = [];
  for (let i = 0; i < 40; i++) {
    const id = many[i * 31]!;
    await database()
      .update(resourceText)
      .set({ text: textOf(200_000 + i) })
      .where(eq(resourceText.resource, id));
    await dueResources(database(), [id]);
    single.push(await timed(() => feedSome(teams.large)));
  }
  add(
    "Feeding the search with one changed resource of 4 kB, median of 40",
    ms(median(single)),
    "under 8 ms",
    median(single) < 8,
  );

  const ask = (team: string, query: string, more: object = {}) =>
    as(actor, "search.find", { team, query, ...more });
  const times = async (rounds: number, work: (i: number) => Promise<unknown>) => {
    for (let i = 0; i < 3; i++) await work(i);
    const all: number[] = [];
    for (let i = 0; i < rounds; i++) all.push(await timed(() => work(i)));
    return all;
  };
  // The bare query of the same run: the same two lists, summed and sorted, and nothing around it.
  const bare = await times(30, () =>
    database().execute(sql`
      SELECT resource, SUM(weight * 70) AS score FROM ${termPosting}
      WHERE team = ${teams.large} AND term IN ('quokka', 'wombat')
      GROUP BY resource HAVING COUNT(*) = 2 ORDER BY score DESC, resource DESC LIMIT 25`),
  );
  const common = await times(30, () => ask(teams.large, "quokka wombat"));
  add(
    "Search among 30,000 texts, two very common words (15,000 each), p95 through the action beside the bare query",
    `${ms(p95(common))} to ${ms(p95(bare))} (${(p95(common) / p95(bare)).toFixed(2)})`,
    "under 150 ms and at most 2",
    p95(common) < 150 && p95(common) / p95(bare) <= 2,
  );
  // Words that stand in 200 to 1,000 texts.
  const stats = await database()
    .select({ term: termStat.term })
    .from(termStat)
    .where(sql`${termStat.team} = ${teams.large} AND ${termStat.df} BETWEEN 200 AND 1000 AND term <> ''`)
    .limit(200);
  const ordinary = stats.map((row) => row.term);
  const words = await times(60, (i) => ask(teams.large, `${ordinary[i % ordinary.length]} `));
  add(
    "The same, an ordinary word (in 200 to 1,000 texts), p95",
    ms(p95(words)),
    "under 20 ms",
    p95(words) < 20,
  );
  const pairs = await times(60, (i) => ask(teams.large, `quokka ${ordinary[i % ordinary.length]} `));
  add(
    "The same, an ordinary word beside a very common one, p95",
    ms(p95(pairs)),
    "under 20 ms",
    p95(pairs) < 20,
  );
  const prefix = await times(40, (i) => ask(teams.large, WORDS[300 + i * 11]!.slice(0, 5)));
  add("The same, the beginning of a word of five letters, p95", ms(p95(prefix)), "no aim", true);
  const beside = await times(60, (i) =>
    ask(teams.small, ["quokka wombat", "quokka", "sphag", `${ordinary[i % ordinary.length]} wombat`][i % 4]!),
  );
  add(
    "Search in a team of 2,000 beside it, whatever is asked, p95",
    ms(p95(beside)),
    "under 15 ms",
    p95(beside) < 15,
  );

  const facets = await times(10, (i) =>
    as(actor, "search.facets", { team: teams.large, query: `length:<${5 + i}` }),
  );
  add("Counts to narrow by, filtered, among 100,000, median of 10", ms(median(facets)), "no aim", true);
  const whole = await timed(() => as(actor, "search.facets", { team: teams.large, query: "" }));
  const kept = await times(10, () => as(actor, "search.facets", { team: teams.large, query: "" }));
  add(
    "Counts of the whole catalogue: kept for 15 s, median; the first time",
    `${ms(median(kept))}; ${ms(whole)}`,
    "under 150 ms; no aim",
    median(kept) < 150,
  );
  const tend = await times(10, () => as(actor, "tags.tend", { team: teams.large }));
  add(
    "The Tags page of that team (200 tags, 200,000 uses), median of 10",
    ms(median(tend)),
    "under 150 ms",
    median(tend) < 150,
  );

  // Page 1,000 of 25: what stands 25,000 places further down.
  const last = many.toSorted().at(-25_001)!;
  const [[hit]] = (await database().execute(sql`
    SELECT resource AS id, weight FROM ${termPosting} WHERE team = ${teams.large} AND term = 'quokka'
    ORDER BY weight DESC, resource DESC LIMIT 1 OFFSET 12000`)) as unknown as [
    [{ id: string; weight: number }],
  ];
  const first = await ask(teams.large, "quokka ");
  const top = first.results[0] && (await ask(teams.large, "quokka ", { most: 1 })).next!.score;
  const [[best]] = (await database().execute(sql`
    SELECT MAX(weight) AS weight FROM ${termPosting} WHERE team = ${teams.large} AND term = 'quokka'`)) as unknown as [
    [{ weight: number }],
  ];
  const score = Math.round((top! / best.weight) * hit.weight);
  for (const [what, page1, page1000] of [
    ["the newest", {}, { after: last, score: 0 }],
    ["one very common word (page 480)", {}, { after: hit.id, score }],
  ] as const) {
    const query = what === "the newest" ? "" : "quokka ";
    const near = await times(20, () =>
      ask(teams.large, query, { most: 24, ...page1, after: many.toSorted().at(-1), score: 2e8 }),
    );
    const far = await times(20, () => ask(teams.large, query, { most: 24, ...page1000 }));
    const ratio = median(far) / median(near);
    add(
      `Page 1,000 beside page 1: ${what}, median of 20`,
      `${ratio.toFixed(2)} (${ms(median(far))} to ${ms(median(near))})`,
      "0.5 to 1.5",
      ratio <= 1.5,
    );
  }

  const terms = weigh({
    title: "",
    tags: [],
    contexts: [],
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
        description: "",
        source: [],
        text: textOf(5),
        language: "en",
      }),
      tags,
      Array.from({ length: 20 }, (_, i) => ({ tags: tags.slice(i, i + 5), likeness: i })),
    ),
  );
  add(
    `Tags suggested for a text of 4 kB (${terms.length} terms) against 1,000 tags, p95`,
    ms(p95(suggest)),
    "under 20 ms",
    p95(suggest) < 20,
  );
  return figures;
}
