import { writeXlsx } from "@/core/formats/xlsx-write";
import type { PublishedTree } from "@/core/publish/model";

/** Files of bytes a collection can leave as, by their endings. */
const WRITERS = { xlsx: writeXlsx } as const;
export type FileTask = { tree: PublishedTree; format: keyof typeof WRITERS };

/** A collection with everything inside as a file; of tens of thousands of items it takes seconds. */
export default function work({ tree, format }: FileTask): Uint8Array {
  return WRITERS[format](tree);
}
