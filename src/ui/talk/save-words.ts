import type { ChangeName, InputOf } from "@/services/registry";
import { deliver } from "./deliver";

/** Which thing's text, by the action that saves it. */
const THING = {
  "placements.edit": "placement",
  "resources.edit": "resource",
  "sections.edit": "section",
  "collections.edit": "collection",
  "newsletters.write": "collection",
  "marks.edit": "mark",
} as const;
type Saving = keyof typeof THING & ChangeName;
type Texts<N extends Saving> = Exclude<keyof InputOf<N>, (typeof THING)[N] | "base">;

/**
 * Saves one text of a thing. What others wrote since is merged with it, and it is not lost while the server is away.
 * @param of the thing's id
 * @param value the text as the action takes it
 * @param base what it began from, the newest first
 * @throws {Refusal} with what stands there now, when others changed the same words
 * @example
 * await saveWords("sections.edit", section.id, "title", "Week 2", ["Week 1"]);
 */
export const saveWords = <N extends Saving, F extends Texts<N> & string>(
  name: N,
  of: string,
  field: F,
  value: InputOf<N>[F],
  base: string[],
) =>
  deliver(
    name,
    { [THING[name]]: of, [field]: value, base: { [field]: base } } as unknown as InputOf<N>,
    `${THING[name]}:${of}:${field}`,
    plain(value),
  );

/** As it is shown to whoever must be told that it is not saved. */
const plain = (value: unknown) =>
  Array.isArray(value)
    ? value.join("; ")
    : String(value)
        .replace(/<[^>]*>/g, " ")
        .trim();

/** Names as they are written into one field, and as they are kept. */
const namesIn = (text: string): string[] =>
  text
    .split(";")
    .map((name) => name.trim())
    .filter(Boolean);

/** Saves a text of a resource; authors as they are written into one field. */
export const saveResourceText = (
  resource: string,
  field: "title" | "description" | "siteName" | "authors" | "published" | "notes",
  text: string,
  base: string[],
) =>
  field === "authors"
    ? saveWords("resources.edit", resource, field, namesIn(text), base)
    : saveWords("resources.edit", resource, field, text, base);
