import { KIND_WORDS } from "../look/kind-words";
import { html } from "../publish/html";
import { plainBibliography, type Reference } from "./bibliography";
import type { Work } from "./csl-item";
import { faced } from "./faced";

/** How a bibliography is laid out. */
export type Arrangement = {
  /** As the style has it, or as the works stand in the collection. */
  order: "style" | "own";
  by: "none" | "section" | "kind";
  /** Whether each has its context line beneath, as an annotated bibliography has. */
  context: boolean;
};

/** A work, and under which heading it stands in its collection. */
export type PlacedWork = Work & { section: string };

/** References under one heading; empty: there is none. */
export type ReferenceGroup = { title: string; entries: (Reference & { context: string })[] };

/**
 * A bibliography laid out; what stands before each in styles that count stays as it is, whatever the order.
 * @param references in the order of the style
 * @param works those they are of, as they stand
 */
export function arranged(
  references: readonly Reference[],
  works: readonly PlacedWork[],
  { order, by, context }: Arrangement,
): ReferenceGroup[] {
  const known = new Map(works.map((work, at) => [work.id, { ...work, at }]));
  const own = (one: Reference) => known.get(one.id)!;
  const sorted = order === "own" ? [...references].sort((a, b) => own(a).at - own(b).at) : references;
  const groups = new Map<string, ReferenceGroup>();
  // Headings in the order in which they stand in the collection.
  for (const work of by === "section" ? works : [])
    groups.set(work.section, { title: work.section, entries: [] });
  for (const one of sorted) {
    const work = own(one);
    const title = by === "section" ? work.section : by === "kind" ? KIND_WORDS[work.kind] : "";
    const group = groups.get(title) ?? { title, entries: [] };
    group.entries.push({ ...one, context: context ? work.context : "" });
    groups.set(title, group);
  }
  return [...groups.values()].filter((group) => group.entries.length > 0);
}

/** A bibliography as a piece of HTML for word processors and mail programs: a paragraph an entry, with its faces and links. */
export const htmlBibliography = (groups: readonly ReferenceGroup[]): string =>
  groups
    .flatMap(({ title, entries }) => [
      ...(title ? [html`<h3>${title}</h3>`] : []),
      ...entries.map(
        ({ label, runs, context }) =>
          html`<p>${label ? `${label} ` : null}${runs.map(faced)}</p>${context ? html`<blockquote><p>${context}</p></blockquote>` : null}`,
      ),
    ])
    .map((one) => one.text)
    .join("\n");

/** The same as plain text: an entry a line, a blank line before a heading. */
export const textBibliography = (groups: readonly ReferenceGroup[]): string =>
  groups
    .map(({ title, entries }) =>
      [
        ...(title ? [title] : []),
        ...entries.map(
          (one) =>
            plainBibliography([one]) + (one.context ? `\n    ${one.context.replace(/\s+/g, " ")}` : ""),
        ),
      ].join("\n"),
    )
    .join("\n\n");
