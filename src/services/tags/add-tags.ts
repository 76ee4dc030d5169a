import { inArray } from "drizzle-orm";
import { LONGEST_TAG, tagKey, tagName } from "@/core/tags/tag-name";
import type { Change } from "@/core/undo/change";
import type { Tx } from "@/data/database";
import { tagsOf, touchCollectionsOf } from "@/data/queries/resources";
import { tagsByKey } from "@/data/queries/tags";
import { resourceTag, tag } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id, Texts } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";

class AddTags {
  @Id() resource: string;
  @Texts(50, LONGEST_TAG) tags: string[];
}

export const addTags = action({
  name: "tags.add",
  about:
    "Tags a resource. Names may have several words; one that exists in another spelling of case or accents is taken.",
  input: AddTags,
  allow: can.bring("resource"),
  run: async ({ input, scope, tx, tell, did }) => {
    const names = input.tags.map(tagName).filter((name) => name !== null);
    if (!names.length) throw fieldProblem("tags", "Give a tag.");
    const added = await putTags(tx, scope.team!, new Map([[input.resource, names]]));
    did(names.length === 1 ? `tag with ${names[0]}` : "tag", added.map(tagged), "bring");
    await touchCollectionsOf(tx, [input.resource], now());
    tell({ subject: input.resource, data: { tags: names } });
    return { tags: (await tagsOf(tx, [input.resource])).get(input.resource) ?? [] };
  },
});

/** The change that a tag put on a resource is. */
export const tagged = ({ resource, tag }: { resource: string; tag: string }): Change => ({
  thing: "tagging",
  id: `${resource}~${tag}`,
  before: { on: false },
  after: { on: true },
});

/**
 * Gives many resources their tags at once, making the tags that do not exist; what is there already stays.
 * @returns the links to tags that were not there before
 */
export async function putTags(
  tx: Tx,
  team: string,
  wanted: ReadonlyMap<string, readonly string[]>,
): Promise<{ id: string; resource: string; tag: string }[]> {
  const known = await makeTags(tx, team, [...wanted.values()].flat());
  if (!known.size) return [];
  const at = now();
  const rows = [...wanted].flatMap(([resource, names]) =>
    [...new Set(names.map(tagKey))].map((key) => ({
      id: newId(),
      resource,
      tag: known.get(key)!,
      team,
      createdAt: at,
    })),
  );
  for (let i = 0; i < rows.length; i += 500)
    await tx
      .insert(resourceTag)
      .values(rows.slice(i, i + 500))
      .onDuplicateKeyUpdate({ set: { team } });
  const added: { id: string; resource: string; tag: string }[] = [];
  for (let i = 0; i < rows.length; i += 1000)
    added.push(
      ...(await tx
        .select({ id: resourceTag.id, resource: resourceTag.resource, tag: resourceTag.tag })
        .from(resourceTag)
        .where(
          inArray(
            resourceTag.id,
            rows.slice(i, i + 1000).map((row) => row.id),
          ),
        )),
    );
  return added;
}

/** The tags of these names, made where they do not exist. @returns ids by key */
export async function makeTags(tx: Tx, team: string, names: readonly string[]): Promise<Map<string, string>> {
  const byKey = new Map(names.map((name) => [tagKey(name), name]));
  if (!byKey.size) return new Map();
  const at = now();
  const keys = [...byKey.keys()].sort();
  const known = await tagsByKey(tx, team, keys);
  const missing = keys
    .filter((key) => !known.has(key))
    .map((key) => ({ id: newId(), team, key, name: byKey.get(key)!, createdAt: at }));
  if (missing.length) {
    await tx.insert(tag).values(missing).onDuplicateKeyUpdate({ set: { team } });
    // Somebody else may have made one of them a moment ago, under another id.
    const made = await tx
      .select({ id: tag.id, key: tag.key })
      .from(tag)
      .where(
        inArray(
          tag.id,
          missing.map((row) => row.id),
        ),
      );
    for (const row of made) known.set(row.key, row.id);
    if (made.length < missing.length)
      for (const [key, id] of await tagsByKey(tx, team, keys)) known.set(key, id);
  }
  return known;
}
