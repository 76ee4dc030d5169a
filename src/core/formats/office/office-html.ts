import { bookOf } from "./epub";
import { openDocumentHtml } from "./open-document";
import { sheetsHtml } from "./sheets";
import { slidesHtml } from "./slides";
import type { OfficeKind } from "./unpack";

/**
 * The contents of a presentation, a spreadsheet, a book or an OpenDocument file as plain HTML: headings, paragraphs, lists,
 * tables and links, without looks.
 * @param bytes the whole file, within the bounds `officeKind` has seen to
 * @param kind as `officeKind` found it
 * @returns the HTML, and how many slides or sheets there are; null for texts, which have no pages of their own
 */
export function officeHtml(
  bytes: Uint8Array,
  kind: Exclude<OfficeKind, "docx">,
): { html: string; pages: number | null } {
  if (kind === "pptx") return slidesHtml(bytes);
  if (kind === "xlsx") return sheetsHtml(bytes);
  if (kind === "epub") return { html: bookOf(bytes).html, pages: null };
  return openDocumentHtml(bytes, kind === "odp");
}
