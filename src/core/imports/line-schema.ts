import { FIELDS, ITEM_TYPES } from "../cite/reference";
import { LINES_AT_ONCE, MOST_PLACES } from "./check-lines";

/*
 * What is sent of an import, in JSON Schema, for the description of the open interface. It says what is of use; whatever
 * else comes is made into that by `asPlaces`, `asLines` and `asReference`, line by line, so that one odd line does not
 * keep the others out.
 */

const text = (maxLength: number) => ({ type: "string", maxLength });
const maybe = (schema: { type: string }) => ({ ...schema, type: [schema.type, "null"] });
const DAY = maybe({ type: "string", ...{ format: "date-time" } });

/** Fields of a work by their CSL names. */
export const FIELDS_SCHEMA = {
  type: "object",
  description: "Fields by their names in CSL.",
  properties: Object.fromEntries(FIELDS.map((name) => [name, text(500)])),
  additionalProperties: false,
};

const REFERENCE = {
  type: ["object", "null"],
  description: "What is known of a work.",
  properties: {
    type: { type: ["string", "null"], enum: [...ITEM_TYPES, null] },
    fields: FIELDS_SCHEMA,
    authors: { type: "array", items: text(200), maxItems: 200 },
    published: maybe(text(40)),
    language: maybe(text(35)),
  },
  required: ["fields"],
};

export const PLACES_SCHEMA = {
  type: "array",
  maxItems: MOST_PLACES,
  items: {
    type: "object",
    properties: {
      title: text(200),
      description: text(4000),
      parent: {
        type: ["integer", "null"],
        description: "Number of the place around it, which stands before it.",
      },
      section: { type: "boolean", description: "A section of the place around it; else a collection." },
      addedAt: DAY,
    },
    required: ["title"],
  },
};

export const LINES_SCHEMA = {
  type: "array",
  maxItems: LINES_AT_ONCE,
  items: {
    type: "object",
    properties: {
      address: text(4000),
      title: text(500),
      heading: text(300),
      context: text(4000),
      tagText: { ...text(4000), description: "Tags, with the separator of the import between them." },
      addedAt: DAY,
      place: { type: ["integer", "null"], description: "Number of the place it goes to." },
      reference: REFERENCE,
      note: text(100_000),
      out: { type: "boolean", description: "Left out on purpose; it is only noted." },
    },
  },
};
