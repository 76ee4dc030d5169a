import { rank } from "@/core/search/rank";
import { idf } from "@/core/search/weigh";
import { suggestTags } from "@/core/tags/suggest";
import { tagsOf } from "@/data/queries/resources";
import { readPostings } from "@/data/search/postings";
import { countIndexed, dfOf } from "@/data/search/terms";
import { wordsOf } from "@/data/search/words";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { weighInThread } from "@/outside/threads/in-thread";
import { tagUses } from "./uses";

/** Neighbours are looked for by so many of the text's terms, none of them in more resources than this. */
const BY_TERMS = 8;
const TOO_COMMON = 2_000;
const NEIGHBOURS = 20;
const TAGS = 1_000;

class SuggestTags {
  @Id() resource: string;
}

export const suggestTagsOf = reading({
  name: "tags.suggest",
  about:
    "Tags of the team that a resource might get: their words are in its text, or texts like it have them.",
  input: SuggestTags,
  allow: can.see("resource"),
  run: async ({ input, scope, tx }) => {
    const team = scope.team!;
    const [found] = await wordsOf(tx, [input.resource]);
    const words = found?.words;
    if (!words) return { tags: [] };
    const [[terms], uses, indexed] = await Promise.all([
      weighInThread([words]),
      tagUses(tx, team, TAGS),
      countIndexed(tx, team),
    ]);
    const heavy = terms!.slice(0, 40);
    const df = await dfOf(
      tx,
      team,
      heavy.map((one) => one.term),
    );
    const telling = heavy
      .filter(({ term }) => (df.get(term) ?? 0) > 1 && df.get(term)! <= TOO_COMMON)
      .map(({ term, weight }) => ({
        term,
        factor: Math.round(idf(indexed, df.get(term)!) * 10),
        by: weight * idf(indexed, df.get(term)!),
      }))
      .sort((a, b) => b.by - a.by)
      .slice(0, BY_TERMS);
    const lists = await readPostings(
      tx,
      team,
      telling.map((one) => one.term),
    );
    const factors = new Map(telling.map(({ term, factor }) => [term, factor]));
    const alike = rank([[...factors.keys()]], lists, (term) => factors.get(term)!)
      .hits("best", 0, NEIGHBOURS + 1)
      .filter((one) => one.id !== input.resource)
      .slice(0, NEIGHBOURS);
    const tags = await tagsOf(
      tx,
      alike.map((one) => one.id),
    );
    const neighbours = alike.map(({ id, score }) => ({ likeness: score, tags: tags.get(id) ?? [] }));
    return {
      tags: suggestTags(
        terms!,
        uses.map((one) => one.name),
        neighbours,
        { language: words.language, has: words.tags },
      ),
    };
  },
});
