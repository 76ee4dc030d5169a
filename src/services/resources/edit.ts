import { checkDoi, checkIsbn, checkIssn } from "@/core/cite/identifiers";
import { type FieldName, FIELDS, ITEM_TYPES, type ItemType } from "@/core/cite/reference";
import { asReference } from "@/core/imports/check-lines";
import { FIELDS_SCHEMA } from "@/core/imports/line-schema";
import { readLicence } from "@/core/licence/read-licence";
import { mergeEntries, mergeWhole } from "@/core/merge/merge-text";
import { partialDate } from "@/core/page/dates";
import { KINDS } from "@/core/page/facts";
import { minutesOf } from "@/core/text/minutes";
import { cardOf } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import {
  type Base,
  Id,
  MaybeBase,
  MaybeDescribed,
  MaybeOneOf,
  MaybeText,
  MaybeTexts,
} from "@/mechanism/input";
import type { Locked } from "@/mechanism/locks";
import { mergedWords } from "@/mechanism/merged-words";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class EditResource {
  @Id() resource: string;
  @MaybeText(500) title?: string;
  @MaybeText(4000) description?: string;
  @MaybeText(16_000) notes?: string;
  @MaybeText(200) siteName?: string;
  @MaybeText(10) published?: string;
  /** An id of SPDX, or a name or an address by which licences are known; `own`, `permission`, `reserved`; empty for none. */
  @MaybeText(300) licence?: string;
  @MaybeTexts(30, 200) authors?: string[];
  @MaybeOneOf(ITEM_TYPES) itemType?: ItemType;
  /** Bibliographic fields by their CSL names; those not named stay, an empty one is taken out. */
  @MaybeDescribed(FIELDS_SCHEMA) details?: Record<string, string>;
  @MaybeOneOf(KINDS) kind?: (typeof KINDS)[number];
  /** Authors as one text with `;` between them, bibliographic fields as `details/<name>`. */
  @MaybeBase() base?: Base;
}

export const editResource = action({
  name: "resources.edit",
  about: "Changes fields of a resource. What a person typed is never overwritten by a later fetch.",
  input: EditResource,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: "change an item",
  run: async ({ input, tx, locked, change }) => {
    const { resource: id, base, itemType, kind } = input;
    if (input.title === "") throw fieldProblem("title", "title-missing");
    if (input.published && partialDate(input.published) !== input.published)
      throw fieldProblem("published", "date-not-readable");
    const { ISBN = "", ISSN = "", DOI = "" } = input.details ?? {};
    const wrong = checkIsbn(ISBN) ?? checkIssn(ISSN) ?? checkDoi(DOI);
    if (wrong) throw fieldProblem("details", "identifier-not-valid", wrong);
    const licence = input.licence?.trim() ? readLicence(input.licence) : input.licence?.trim();
    if (licence === null) throw fieldProblem("licence", "licence-unknown");
    const row = locked.resource(id);
    const words = mergedWords(base, textsOf(row, input));
    const { title, description, notes, siteName, published, authors } = words;
    const fields: Partial<typeof row> = {
      ...defined({ title, description, notes, siteName, licence, itemType, kind }),
      ...(published !== undefined && { published: published || null }),
      ...(authors !== undefined && { authors: authors.split("; ").filter(Boolean) }),
      ...(input.details && {
        details: asReference({ fields: { ...row.details, ...detailsIn(words) } })!.fields,
      }),
    };
    const typed = [...new Set([...row.typed, ...Object.keys(fields)])];
    const minutes = (kind ?? row.kind) === "picture" ? null : minutesOf(row);
    await change(
      "resource",
      row,
      { ...fields, typed, minutes },
      { say: { title: fields.title ?? row.title } },
    );
    return { resource: await cardOf(tx, row), words: words as Record<string, string> };
  },
});

type Row = ReturnType<Locked["resource"]>;

/** The texts of a resource, and what is to stand in them. */
function textsOf(row: Row, input: EditResource) {
  const authors = input.authors?.map((name) => name.trim().replaceAll(";", ",")).filter(Boolean);
  const details = asReference({ fields: input.details })!.fields;
  const wanted = (name: FieldName) =>
    Object.hasOwn(input.details ?? {}, name) ? (details[name] ?? "") : undefined;
  return {
    title: { now: row.title, wanted: input.title, most: 500 },
    description: { now: row.description, wanted: input.description, most: 4000 },
    notes: { now: row.notes, wanted: input.notes, most: 16_000 },
    siteName: { now: row.siteName, wanted: input.siteName, most: 200 },
    published: { now: row.published ?? "", wanted: input.published, merge: mergeWhole, most: 10 },
    authors: { now: row.authors.join("; "), wanted: authors?.join("; "), merge: mergeEntries, most: 6060 },
    ...Object.fromEntries(
      FIELDS.map((name) => [
        `${DETAIL}${name}`,
        { now: row.details[name] ?? "", wanted: wanted(name), merge: mergeWhole, most: 500 },
      ]),
    ),
  };
}
const DETAIL = "details/";

/** The bibliographic fields among merged words, by their own names. */
const detailsIn = (words: Partial<Record<string, string>>) =>
  Object.fromEntries(
    Object.entries(words).flatMap(([field, text]) =>
      field.startsWith(DETAIL) ? [[field.slice(DETAIL.length), text]] : [],
    ),
  );

const defined = <T extends object>(fields: T): Partial<T> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;
