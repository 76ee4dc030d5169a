import {
  withInside,
  itemsIn,
  asContent,
  type EditionContent,
  type EditionCollection,
  type EditionText,
} from "@/core/editions/content";
import { groupBy } from "@/core/list/group-by";
import type { PublishedCollection } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { behindPlacements, readingCopies } from "@/data/queries/editions";
import { storeFile } from "@/outside/files";
import { shownCollection } from "../reader/portfolio";
import { shownIf } from "../reader/shown";

/**
 * A collection as its readers are shown it at this moment, with everything inside; what nobody has shared yet as they would
 * be shown it.
 * @param copies whether its reading copies are kept with it, in the file store; `before` is an edition that holds some of
 * them already. Null: they are left out, which is enough to see what has changed
 */
export async function contentNow(
  tx: Tx,
  id: string,
  at: Date,
  copies: { before: EditionContent | null } | null,
): Promise<EditionContent> {
  const found = (await findCollection(tx, id))!;
  const shown = await shownIf(tx, id, found.audience === "team" ? { reach: "all" } : {}, at);
  const parts = shown.root.reach === "all" ? shown.inside : [];
  const all: PublishedCollection[] = [];
  for (const one of [shown.root, ...parts]) all.push(await shownCollection(tx, one.id, shown, at));
  const behind = await behindPlacements(
    tx,
    all.flatMap((one) => one.sections.flatMap((section) => section.items.map((item) => item.id))),
  );
  const readAt = new Map(
    [...behind.values()].flatMap((one) => (one.textAt ? [[one.resource, one.textAt]] : [])),
  );
  const texts = copies ? await storeTexts(tx, readAt, copies.before) : new Map<string, EditionText>();
  const under = groupBy(parts, (one) => one.parent);
  const known = new Map(all.map((one) => [one.id, one]));
  const walk = (one: string): EditionCollection =>
    asContent(
      known.get(one)!,
      (item) => {
        const { resource, file } = behind.get(item)!;
        return { resource, file, text: texts.get(resource) ?? null };
      },
      (under.get(one) ?? []).map((inner) => walk(inner.id)),
    );
  return { form: 1, collection: walk(id) };
}

/** Puts reading copies into the file store, but for those that have not been read anew since the edition before. */
async function storeTexts(
  tx: Tx,
  readAt: ReadonlyMap<string, Date>,
  before: EditionContent | null,
): Promise<Map<string, EditionText>> {
  const texts = new Map<string, EditionText>();
  for (const { resource, text } of before ? withInside(before.collection).flatMap(itemsIn) : [])
    if (text && readAt.get(resource)?.toISOString() === text.at) texts.set(resource, text);
  const others = [...readAt.keys()].filter((resource) => !texts.has(resource));
  for await (const some of readingCopies(tx, others))
    await Promise.all(
      some.map(async ({ resource, html }) => {
        const hash = await storeFile(new TextEncoder().encode(html));
        texts.set(resource, { hash, at: readAt.get(resource)!.toISOString() });
      }),
    );
  return texts;
}
