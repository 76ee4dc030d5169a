import type { Locator } from "@/core/cite/citation";
import type { PlacedWork } from "@/core/cite/arranged";
import { sha256 } from "@/outside/hash";
import { citeInThread } from "@/outside/threads/in-thread";
import type { Cited } from "@/outside/threads/cite-thread";
import type { Style } from "./style-of";
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
  { id, source }: Style,
  language: string,
  locator?: Locator | null,
): Promise<Cited> {
  const task = { works, language, ...(locator !== undefined && { inText: { locator } }) };
  const key = works.length > LONG ? null : sha256(JSON.stringify([id, task]));
  const known = key && cached.get(key);
  const work = known || citeInThread({ ...task, style: source });
  if (key) {
    cached.delete(key);
    if (cached.size >= MOST) cached.delete(cached.keys().next().value!);
    cached.set(key, work);
    work.catch(() => cached.delete(key));
  }
  return unlessTooLarge(work);
}
