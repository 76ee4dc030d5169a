import { eq } from "drizzle-orm";
import { partialDate } from "@/core/page/dates";
import { IsObject, IsOptional } from "class-validator";
import { checkDoi, checkIsbn, checkIssn } from "@/core/cite/identifiers";
import { ITEM_TYPES, type ItemType } from "@/core/cite/reference";
import { asReference } from "@/core/intake/check-lines";
import { KINDS } from "@/core/page/facts";
import { minutesOf } from "@/core/text/minutes";
import { difference } from "@/core/undo/change";
import { cardsById, lockResource, touchCollectionsOf, withTags } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id, MaybeOneOf, MaybeText, MaybeTexts } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";

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
  @IsOptional() @IsObject() details?: Record<string, string>;
  @MaybeOneOf(KINDS) kind?: (typeof KINDS)[number];
}

export const editResource = action({
  name: "resources.edit",
  about: "Changes fields of a resource. What a person typed is never overwritten by a later fetch.",
  input: EditResource,
  allow: can.bring("resource"),
  run: async ({ input, tx, tell, did }) => {
    const { resource: id, ...wanted } = input;
    if (wanted.title === "") throw fieldProblem("title", "Give a title.");
    if (wanted.published && partialDate(wanted.published) !== wanted.published)
      throw fieldProblem("published", "Write a date as 2026, 2026-03 or 2026-03-09.");
    const { ISBN = "", ISSN = "", DOI = "" } = wanted.details ?? {};
    const wrong = checkIsbn(ISBN) ?? checkIssn(ISSN) ?? checkDoi(DOI);
    if (wrong) throw fieldProblem("details", wrong);
    const row = (await lockResource(tx, id))!;
    const change: Record<string, unknown> = Object.fromEntries(
      Object.entries(wanted).filter(([, value]) => value !== undefined),
    );
    if (wanted.details)
      change.details = asReference({ fields: { ...row.details, ...wanted.details } })!.fields;
    const before = Object.fromEntries(Object.keys(change).map((key) => [key, row[key as keyof typeof row]]));
    const kind = wanted.kind ?? row.kind;
    if (change.published === "") change.published = null;
    const minutes = kind === "picture" ? null : minutesOf(row);
    const typed = [...new Set([...row.typed, ...Object.keys(change)])];
    await tx
      .update(resource)
      .set({
        ...change,
        minutes,
        typed,
        updatedAt: now(),
      })
      .where(eq(resource.id, id));
    await touchCollectionsOf(tx, [id], now());
    did("change an item", [difference("resource", id, row, { ...change, typed, minutes })], "bring");
    tell({ subject: id, data: { title: wanted.title ?? row.title, before, after: change } });
    return { resource: (await withTags(tx, await cardsById(tx, row.team, [id])))[0]! };
  },
});
