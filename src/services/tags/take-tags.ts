import type { Tx } from "@/data/database";
import { collectionLinksOf, linksOf } from "@/data/queries/tags";
import type { ChangeSet } from "@/mechanism/change-set";
import { newId } from "@/outside/random";

type Tag = { id: string; name: string; key: string };

/**
 * Takes tags out of the team; what carried one of them carries `into` instead, if that is given. It is told once of
 * each tag, not of everything that carried it.
 * @param say what is told of a tag that goes
 */
export async function takeTags(
  tx: Tx,
  set: ChangeSet,
  team: string,
  tags: readonly Tag[],
  into: string | null,
  say: (tag: Tag) => Record<string, unknown>,
): Promise<void> {
  const ids = tags.map((tag) => tag.id);
  if (!ids.length) return;
  const common = { team, createdAt: set.at };
  const links = await linksOf(tx, team, ids);
  const about = await collectionLinksOf(tx, team, ids);
  await set.remove("resourceTag", links);
  await set.remove("collectionTag", about);
  await set.remove("tag", tags, { say: (tag) => say(tag as Tag) });
  if (!into) return;
  const had = new Set((await linksOf(tx, team, [into])).map((link) => link.resource));
  const fresh = [...new Set(links.map((link) => link.resource))].filter((id) => !had.has(id));
  await set.add(
    "resourceTag",
    fresh.map((resource) => ({ id: newId(), resource, tag: into, ...common })),
  );
  const hadAbout = new Set((await collectionLinksOf(tx, team, [into])).map((link) => link.collection));
  const freshAbout = [...new Set(about.map((link) => link.collection))].filter((id) => !hadAbout.has(id));
  await set.add(
    "collectionTag",
    freshAbout.map((collection) => ({ collection, tag: into, ...common })),
  );
}
