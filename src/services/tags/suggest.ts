import { suggestTags } from "@/core/tags/suggest";
import type { Tx } from "@/data/database";
import { tagsOf } from "@/data/queries/resources";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { alikeOf } from "../search/alike";
import { tagUses } from "./uses";

const TAGS = 1_000;

class SuggestTags {
  @Id() resource: string;
}

export const suggestTagsOf = reading({
  name: "tags.suggest",
  about:
    "Tags of the team that a resource might get: their words are in its text, or texts like it have them.",
  input: SuggestTags,
  allow: can.seeHere("resource"),
  run: async ({ input, scope, tx }) => {
    // They come from what is like it anywhere, which a guest does not see.
    if (scope.sight) return { tags: [] };
    const found = await alikeOf(tx, scope.team!, input.resource);
    return { tags: found ? await tagsFor(tx, scope.team!, found) : [] };
  },
});

/** The tags of a team that may be meant for something, by its words and by what is like it. */
export async function tagsFor(
  tx: Tx,
  team: string,
  { words, terms, alike }: NonNullable<Awaited<ReturnType<typeof alikeOf>>>,
) {
  const [uses, tags] = await Promise.all([
    tagUses(tx, team, TAGS),
    tagsOf(
      tx,
      alike.map((one) => one.id),
    ),
  ]);
  return suggestTags(
    terms,
    uses.map((one) => one.name),
    alike.map(({ id, score }) => ({ likeness: score, tags: tags.get(id) ?? [] })),
    { language: words.language, has: words.tags },
  );
}
