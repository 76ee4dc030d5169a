import { tagKey } from "@/core/tags/tag-name";
import type { Tx } from "@/data/database";
import { insertTags, linksOfResources, tagsByKey } from "@/data/queries/tags";
import type { ChangeSet } from "@/mechanism/change-set";
import { newId } from "@/outside/random";

/** So often tags may go again between two looks. */
const ROUNDS = 5;

type Link = { id: string; resource: string; tag: string };

/**
 * Gives many resources their tags at once, making the tags that do not exist; what is there already stays.
 * @param wanted names of tags by resource
 * @param options.along they go along with something that is told and taken back for them
 * @returns the links to tags that were not there before
 * @example
 * await putTags(tx, set, team, new Map([[resource, ["water table"]]]));
 */
export async function putTags(
  tx: Tx,
  set: ChangeSet,
  team: string,
  wanted: ReadonlyMap<string, readonly string[]>,
  options: { along?: boolean } = {},
): Promise<Link[]> {
  const known = await makeTags(tx, set, team, [...wanted.values()].flat());
  if (!known.size) return [];
  const links = [...wanted].flatMap(([resource, names]) =>
    [...new Set(names.map(tagKey))].map((key) => ({ resource, tag: known.get(key)! })),
  );
  const there = new Set(
    (await linksOfResources(tx, [...wanted.keys()])).map(({ resource, tag }) => `${resource}~${tag}`),
  );
  const fresh = links
    .filter(({ resource, tag }) => !there.has(`${resource}~${tag}`))
    .map((link) => ({ id: newId(), ...link, team, createdAt: set.at }));
  await set.add("resourceTag", fresh, options);
  return fresh;
}

/**
 * The tags of these names, made where they do not exist. A tag by itself is nothing that is told or taken back: others
 * may have used it by then.
 * @returns ids by key
 */
export async function makeTags(
  tx: Tx,
  set: ChangeSet,
  team: string,
  names: readonly string[],
): Promise<Map<string, string>> {
  const byKey = new Map(names.map((name) => [tagKey(name), name]));
  if (!byKey.size) return new Map();
  const keys = [...byKey.keys()].sort();
  // Somebody else may make one of them at this moment, under another id, or rename or delete one that was there.
  for (let round = 0; round < ROUNDS; round++) {
    const known = await tagsByKey(tx, team, keys);
    const missing = keys
      .filter((key) => !known.has(key))
      .map((key) => ({ id: newId(), team, key, name: byKey.get(key)!, createdAt: set.at }));
    if (!missing.length) return known;
    await insertTags(tx, missing);
  }
  throw new Error("Tags went as fast as they were made.");
}
