import { type BookCopy, writeEpub } from "@/core/formats/printed/epub-write";
import type { Pictures, Printed } from "@/core/formats/printed/model";

export type EpubTask = { printed: Printed; pictures: Pictures; copies?: readonly BookCopy[] };

/** A collection as a book. */
export default function work({ printed, pictures, copies }: EpubTask): Uint8Array {
  return writeEpub(printed, pictures, copies);
}
