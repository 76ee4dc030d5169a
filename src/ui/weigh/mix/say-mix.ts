import { KIND_WORDS } from "@/core/look/kind-words";
import type { Dimension, Mix } from "@/core/measure/mix";
import type { Kind } from "@/core/page/facts";

/** What each is called: as the head of a chart, of one, of several, and of what nobody knows. */
export const NAMES: Record<Dimension, { head: string; one: string; many: string; unknown: string }> = {
  site: { head: "Sites", one: "site", many: "sites", unknown: "from no site" },
  author: { head: "Authors", one: "author", many: "authors", unknown: "of no known author" },
  kind: { head: "Kinds", one: "kind", many: "kinds", unknown: "of no kind" },
  language: { head: "Languages", one: "language", many: "languages", unknown: "of no known language" },
  year: { head: "Years", one: "year", many: "years", unknown: "of no known year" },
};

const LANGUAGES = new Intl.DisplayNames(["en"], { type: "language", fallback: "code" });

/** A value as people read it. */
export function sayValue(by: Dimension, value: string): string {
  if (value === "") return NAMES[by].unknown;
  if (by === "kind") return KIND_WORDS[value as Kind];
  if (by !== "language") return value;
  try {
    return LANGUAGES.of(value) ?? value;
  } catch {
    return value;
  }
}

/** How mixed it is, in words. */
export function sayMix(by: Dimension, { like, alike }: Mix): string {
  if (like === 0) return "Nobody knows.";
  const { one, many } = NAMES[by];
  if (like < 1.05) return `All of one ${one}.`;
  const pairs =
    alike === null ? "" : ` Two drawn at random are of one ${one} ${Math.round(alike * 100)} times in 100.`;
  return `As mixed as ${like.toFixed(1)} ${many} in equal parts.${pairs}`;
}
