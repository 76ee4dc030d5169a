import { mark } from "@/data/schema";
import { reindexOwn } from "@/data/search/own-words";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { feedAll, WORDS } from "./texts";
import type { Figure } from "./figures";

/** So many of the team are marked, each by two marks of the team; every second of them by one's own, too. */
const MARKED = 8_000;

/** Marks and notes on some of a large catalogue, in the index as they are when people have made them. */
export async function giveMarks(actor: Actor, team: string, many: readonly string[]): Promise<void> {
  const at = new Date();
  const person = actor.person!.id;
  const common = { team, person, meaning: null, prefix: "", suffix: "", fragment: "", version: null };
  const placed = { start: null, end: null, sure: null, createdAt: at, updatedAt: at };
  const noteOf = (n: number) =>
    Array.from({ length: 12 }, (_, i) => WORDS[(n * 31 + i * 17) % 4_000]).join(" ");
  const marked = many.filter((_, i) => i % Math.floor(many.length / MARKED) === 0);
  const all = marked.flatMap((resource, n) => [
    { resource, private: false, quote: noteOf(n), note: `marginal ${noteOf(n + 7)}` },
    { resource, private: false, quote: noteOf(n + 3), note: "" },
    ...(n % 2 ? [] : [{ resource, private: true, quote: noteOf(n + 5), note: "secretly remarked" }]),
  ]);
  for (let i = 0; i < all.length; i += 500)
    await database()
      .insert(mark)
      .values(all.slice(i, i + 500).map((one) => ({ ...common, ...placed, ...one, id: newId() })));
  const own = all.filter((one) => one.private).map(({ resource }) => ({ person, resource }));
  for (let i = 0; i < own.length; i += 200)
    await database().transaction((tx) => reindexOwn(tx, own.slice(i, i + 200)));
  await feedAll(team, marked);
}

type Measuring = {
  searched: (work: (i: number) => Promise<unknown>) => Promise<number[]>;
  ask: (query: string) => Promise<unknown>;
  say: (what: string, took: number[], most: number) => Figure;
  /** Words that stand in 200 to 1,000 texts. */
  ordinary: readonly string[];
};

/** Searches through them and narrowed to them: within the bounds that searches without marks have. */
export async function* measureMarked({ searched, ask, say, ordinary }: Measuring): AsyncGenerator<Figure> {
  const at = (i: number) => ordinary[i % ordinary.length]!;
  const kinds: [what: string, query: (i: number) => string, most: number][] = [
    ["an ordinary word, of marks or not", at, 20],
    ["a word of 8,000 notes", () => "marginal", 150],
    ["a word of 4,000 notes of one's own", () => "remarked", 150],
    ["an ordinary word among what is marked", (i) => `${at(i)} marked:any`, 20],
    ["a very common word among what is marked", () => "quokka marked:any", 150],
    ["whatever one has marked, the newest first", () => "marked:me", 150],
  ];
  for (const [what, query, most] of kinds) {
    const took = await searched((i) => ask(`${query(i)} `));
    yield say(`With 20,000 marks among the 100,000: ${what}, p95`, took, most);
  }
}
