import type { ReferenceGroup } from "../cite/arranged";
import { faced } from "../cite/faced";
import { html } from "./html";
import { plainDocument } from "./plain-document";

/** The bibliography of a collection as its readers are given it. */
export type ReferencesForReaders = {
  title: string;
  /** As BCP 47 has it, or empty. */
  language: string;
  /** Where the collection is read. */
  address: string;
  fonts: string;
  /** What its style is called. */
  style: string;
  groups: readonly ReferenceGroup[];
};

/** A bibliography for readers. */
export const referencesDocument = ({
  title,
  language,
  address,
  fonts,
  style,
  groups,
}: ReferencesForReaders): string =>
  plainDocument(
    { title: "References", of: { title, address }, language, fonts },
    html`<p class="facts" lang="en" dir="ltr">${style}</p><div class="references">${groups.map(
      (group) =>
        html`${group.title ? html`<h2>${group.title}</h2>` : null}${group.entries.map(
          ({ label, runs }) => html`<p>${label ? html`<span>${label}</span> ` : null}${runs.map(faced)}</p>`,
        )}`,
    )}</div>`,
  );
