import type { Work } from "@/core/cite/csl-item";
import { writeReferences, type WrittenReferences } from "@/core/formats/references-write";

/** Writes a list of references; a thousand take seconds. */
export default function work({ works, format }: { works: Work[]; format: WrittenReferences }): string {
  return writeReferences(works, format);
}
