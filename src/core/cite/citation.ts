import type { Work } from "./csl-item";
import { engineFor, type StyleFiles } from "./engine";
import { type Run, runsOf } from "./runs";

/** The part of a work that is meant, by a word of CSL 1.0.2 (appendix IV, locators), and which: “14–16”, “2:05”. */
export type Locator = { label: LocatorLabel; at: string };

/** What a part of a work is counted by, and how it is called. */
export const LOCATORS = [
  ["page", "Page"],
  ["timestamp", "Time"],
  ["chapter", "Chapter"],
  ["section", "Section"],
  ["paragraph", "Paragraph"],
  ["figure", "Figure"],
  ["volume", "Volume"],
  ["line", "Line"],
] as const;
export type LocatorLabel = (typeof LOCATORS)[number][0];
export const LOCATOR_LABELS = LOCATORS.map(([label]) => label);

/**
 * How some works are cited in the text: “(Weld, 2019, p. 14)”, “[1]”, or the note of a style of notes.
 * @param works each once; of the first one a part may be meant
 * @throws when the style cannot be read
 */
export function citation(works: readonly Work[], locator: Locator | null, files: StyleFiles): Run[] {
  const citationItems = works.map(({ id }, i) => ({
    id,
    ...(i === 0 && locator && { locator: locator.at, label: locator.label }),
  }));
  // As the first note there is: a style of notes gives a work whole then, and shortens it later.
  const cited = { citationItems, properties: { noteIndex: 1 } };
  const html = engineFor(works, files).previewCitationCluster(cited, [], [], "html");
  return runsOf(html).runs;
}
