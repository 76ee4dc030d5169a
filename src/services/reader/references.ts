import { arranged } from "@/core/cite/arranged";
import { treeAsPublished } from "@/core/editions/as-published";
import type { ReferencesForReaders } from "@/core/publish/references-document";
import { database } from "@/mechanism/changing";
import { contentNow } from "../editions/content-now";
import { worksOf } from "../export/works";
import { cited } from "../references/cited";
import { styleFor } from "../references/style-of";
import { publishedBehind } from "./behind";
import { look } from "./look";
import type { AskedPart } from "./places";

/** What was made last, with the stamp of what it was made from. */
const cached = new Map<string, { stamp: string; made: Promise<ReferencesForReaders | null> }>();
const MOST = 100;

/** The bibliography of what is shared under a code, or of a part of it; null where its readers are not given one. */
export async function publishedReferences(asked: AskedPart, at: Date): Promise<ReferencesForReaders | null> {
  const behind = await look(asked.code);
  if (!behind) return null;
  const key = `${asked.code} ${asked.part ?? ""}`;
  const known = cached.get(key);
  if (known?.stamp === behind.stamp) return known.made;
  const made = make(asked, at);
  cached.delete(key);
  if (cached.size >= MOST) cached.delete(cached.keys().next().value!);
  cached.set(key, { stamp: behind.stamp, made });
  made.catch(() => cached.delete(key));
  return made;
}

async function make(asked: AskedPart, at: Date): Promise<ReferencesForReaders | null> {
  const found = await publishedBehind(asked, at);
  if (!found?.collection.givesReferences) return null;
  const { id, title, language } = found.collection;
  const tx = database();
  const content = await contentNow(tx, id, at, null);
  const works = await worksOf(tx, treeAsPublished(content, { audience: "link", framedBy: "", keptAt: at }));
  const style = await styleFor(tx, id, undefined);
  const { references } = await cited(works, style, language);
  return {
    ...{ title, language, address: found.places.self, fonts: "/fonts" },
    style: style.name,
    groups: arranged(references, works, { order: "style", by: "none", context: false }),
  };
}
