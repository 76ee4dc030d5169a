import type { Locator } from "@/core/cite/citation";
import type { PlacedWork } from "@/core/cite/arranged";
import type { StyleId } from "@/core/cite/styles";
import { styleSetFor } from "@/data/queries/citation-styles";
import type { Tx } from "@/data/database";
import { sha256 } from "@/outside/hash";
import { citeInThread } from "@/outside/threads/in-thread";
import type { Cited } from "@/outside/threads/cite-thread";
import { unlessTooLarge } from "../export/unless-too-large";

/** What was cited last, by style, language and content: who goes through the styles comes back to one at once. */
const cached = new Map<string, Promise<Cited>>();
const MOST = 60;
/** Of a list that is longer than this nothing is cached. */
const LONG = 2_000;

/**
 * Some works in a style.
 * @param locator which part of the first one is meant; left out: they are not cited in a text
 * @throws {Problem} export-too-large
 */
export function cited(
  works: readonly PlacedWork[],
  style: StyleId,
  language: string,
  locator?: Locator | null,
): Promise<Cited> {
  const task = { works, style, language, ...(locator !== undefined && { inText: { locator } }) };
  const key = works.length > LONG ? null : sha256(JSON.stringify(task));
  const known = key && cached.get(key);
  const work = known || citeInThread(task);
  if (key) {
    cached.delete(key);
    if (cached.size >= MOST) cached.delete(cached.keys().next().value!);
    cached.set(key, work);
    work.catch(() => cached.delete(key));
  }
  return unlessTooLarge(work);
}

/** The style that is asked for, or the one that holds where the collection stands. */
export const styleFor = async (tx: Tx, collection: string, asked: StyleId | undefined): Promise<StyleId> =>
  asked ?? ((await styleSetFor(tx, collection)) || "apa");
