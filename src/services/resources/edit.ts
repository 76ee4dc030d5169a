import { IsObject } from "class-validator";
import { checkDoi, checkIsbn, checkIssn } from "@/core/cite/identifiers";
import { ITEM_TYPES, type ItemType } from "@/core/cite/reference";
import { asReference } from "@/core/imports/check-lines";
import { partialDate } from "@/core/page/dates";
import { KINDS } from "@/core/page/facts";
import { minutesOf } from "@/core/text/minutes";
import { cardOf } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id, MaybeOneOf, MaybeText, MaybeTexts, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";

class EditResource {
  @Id() resource: string;
  @MaybeText(500) title?: string;
  @MaybeText(4000) description?: string;
  @MaybeText(16_000) notes?: string;
  @MaybeText(200) siteName?: string;
  @MaybeText(10) published?: string;
  @MaybeTexts(30, 200) authors?: string[];
  @MaybeOneOf(ITEM_TYPES) itemType?: ItemType;
  /** Bibliographic fields by their CSL names; those not named stay, an empty one is taken out. */
  @Optional() @IsObject() details?: Record<string, string>;
  @MaybeOneOf(KINDS) kind?: (typeof KINDS)[number];
}

export const editResource = action({
  name: "resources.edit",
  about: "Changes fields of a resource. What a person typed is never overwritten by a later fetch.",
  input: EditResource,
  allow: can.bring("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: "change an item",
  run: async ({ input, tx, locked, change }) => {
    const { resource: id, ...wanted } = input;
    if (wanted.title === "") throw fieldProblem("title", "title-missing");
    if (wanted.published && partialDate(wanted.published) !== wanted.published)
      throw fieldProblem("published", "date-not-readable");
    const { ISBN = "", ISSN = "", DOI = "" } = wanted.details ?? {};
    const wrong = checkIsbn(ISBN) ?? checkIssn(ISSN) ?? checkDoi(DOI);
    if (wrong) throw fieldProblem("details", "identifier-not-valid", wrong);
    const row = locked.resource(id);
    const fields: Partial<typeof row> = Object.fromEntries(
      Object.entries(wanted).filter(([, value]) => value !== undefined),
    );
    if (wanted.details)
      fields.details = asReference({ fields: { ...row.details, ...wanted.details } })!.fields;
    if (fields.published === "") fields.published = null;
    const typed = [...new Set([...row.typed, ...Object.keys(fields)])];
    const minutes = (fields.kind ?? row.kind) === "picture" ? null : minutesOf(row);
    await change(
      "resource",
      row,
      { ...fields, typed, minutes },
      { say: { title: fields.title ?? row.title } },
    );
    return { resource: await cardOf(tx, row) };
  },
});
