import type * as Library from "pdfjs-dist";
import { spotOf } from "@/core/read/pdf-places";

/** A place of a document: its page, from 1, and how far down on it, from 0 to 1. */
export type Place = { page: number; part: number };
/** Where something in a document leads, by name or as it is written out. */
export type Dest = string | readonly unknown[];

/** Which place of a document is meant; null: none of its pages. */
export async function placeOf(document: Library.PDFDocumentProxy, dest: Dest): Promise<Place | null> {
  const explicit: unknown = typeof dest === "string" ? await document.getDestination(dest) : dest;
  if (!Array.isArray(explicit)) return null;
  const [of] = explicit as [unknown];
  const index = typeof of === "number" ? of : await document.getPageIndex(of as { num: number; gen: number });
  if (!Number.isInteger(index) || index < 0 || index >= document.numPages) return null;
  const page = index + 1;
  const { left, top } = spotOf(explicit);
  if (left === null && top === null) return { page, part: 0 };
  const viewport = (await document.getPage(page)).getViewport({ scale: 1 });
  // Of a page that lies on its side the one is what the other is of most.
  if ((viewport.rotation % 180 ? left : top) === null) return { page, part: 0 };
  const [, y] = viewport.convertToViewportPoint(left ?? 0, top ?? 0) as [number, number];
  return { page, part: Math.min(Math.max(y / viewport.height, 0), 1) };
}
