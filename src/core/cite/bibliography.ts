import type { Work } from "./csl-item";
import { engineFor, type StyleFiles } from "./engine";
import { plainRuns, type Run, runsOf } from "./runs";

/** One entry of a bibliography. */
export type Reference = {
  /** Of the work it is of. */
  id: string;
  /** What stands before it in styles that count, like “[1]”; else empty. */
  label: string;
  runs: Run[];
};

/**
 * The bibliography of some works in a style: in the order the style wants, which is their own order in styles that count.
 * @param works each once
 * @throws when the style cannot be read
 */
export function bibliography(works: readonly Work[], files: StyleFiles): Reference[] {
  const made = engineFor(works, files).makeBibliography();
  if (!made) throw new Error("this style has no bibliography");
  const [{ entry_ids }, entries] = made;
  return entries.map((html, i) => ({ id: entry_ids[i]![0]!, ...runsOf(html) }));
}

/** A bibliography as plain text, an entry a line. */
export const plainBibliography = (entries: readonly Reference[]): string =>
  entries.map(({ label, runs }) => [label, plainRuns(runs)].filter(Boolean).join(" ")).join("\n");
