import { typeOf, type Work } from "./csl-item";
import { FIELD_WORDS, type FieldName, SHAPES } from "./reference";

/** A field a reference of a work is poor without, and what it is called. */
export type Lack = { field: FieldName | "authors" | "published" | "address"; words: string };

const WORDS = { authors: "Authors", published: "Date", address: "Web address" };

/**
 * What a reference of this work lacks, by the needs of its kind. A site that publishes itself stands for its author; of a
 * film its makers do for a director.
 */
export function lackOf(work: Work): Lack[] {
  const has = (field: Lack["field"]): boolean => {
    if (field === "address") return work.address !== "";
    if (field === "published") return Boolean(work.published);
    if (field === "authors") return work.authors.length > 0;
    if (field === "director") return Boolean(work.details.director) || work.authors.length > 0;
    if (field === "container-title" || field === "publisher")
      return Boolean(work.details[field]) || work.siteName !== "";
    return Boolean(work.details[field]);
  };
  return SHAPES[typeOf(work)].needs
    .filter((field) => !has(field))
    .map((field) => ({
      field,
      words: field in WORDS ? WORDS[field as keyof typeof WORDS] : FIELD_WORDS[field as FieldName],
    }));
}
