import { resourceText } from "@/data/schema";
import { reindexResources } from "@/data/search/reindex-queue";
import { database } from "@/mechanism/changing";
import { feedSome } from "@/services/search/feed";
import { timed } from "./figures";

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
export const WORDS = Array.from({ length: 20_000 }, (_, i) => {
  let word = "";
  for (let n = i + 40; n > 0; n = Math.floor(n / SYLLABLES.length)) word += SYLLABLES[n % SYLLABLES.length]!;
  return `${word}x`;
});

/** A text of about 4 kB; `quokka` and `wombat` stand in every second one. */
export function textOf(n: number): string {
  const roll = dice(n * 7 + 1);
  const words = Array.from({ length: 560 }, () => WORDS[Math.floor(WORDS.length ** roll()) - 1]!);
  if (n % 2 === 0) words.push("quokka", "quokka", "quokka");
  if (n % 4 < 2) words.push("wombat", "wombat", "wombat");
  return words.join(" ");
}

export async function giveTexts(ids: readonly string[]): Promise<void> {
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
export async function feedAll(team: string, ids: readonly string[]): Promise<number> {
  await reindexResources(database(), ids);
  return timed(() =>
    Promise.all(
      [0, 1].map(async () => {
        while ((await feedSome(team)) > 0);
      }),
    ),
  );
}
