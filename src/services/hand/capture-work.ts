import { eq } from "drizzle-orm";
import { IsObject, IsOptional } from "class-validator";
import { readAddress } from "@/core/address/read-address";
import { checkDoi, checkIsbn, checkIssn } from "@/core/cite/identifiers";
import { ITEM_TYPES, type ItemType, kindOfType } from "@/core/cite/reference";
import { asReference } from "@/core/intake/check-lines";
import { workIdentity } from "@/core/intake/identity";
import { partialDate } from "@/core/page/dates";
import { findByAddress } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { addressHash, identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { action } from "../action";
import { empty, fetchJob } from "../capture/blank";
import { land } from "../capture/land";
import { Id, MaybeId, MaybeText, MaybeTexts, Name, OneOf } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";

class CaptureWork {
  @Id() team: string;
  @OneOf(ITEM_TYPES) type: ItemType;
  @Name("a title", 500) title: string;
  @MaybeTexts(50, 200) authors?: string[];
  @MaybeText(10) published?: string;
  @MaybeText(4000) address?: string;
  @MaybeText(4000) description?: string;
  @MaybeText(35) language?: string;
  /** The other fields by their CSL names. */
  @IsOptional() @IsObject() fields?: Record<string, string>;
  @MaybeId() collection?: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  @MaybeId() placement?: string;
}

const CHECKS = { ISBN: checkIsbn, ISSN: checkIssn, DOI: checkDoi } as const;

export const captureWork = action({
  name: "capture.work",
  about: "Brings in a work by hand: a book, a report, a broadcast, an artwork … with the fields of its kind.",
  input: CaptureWork,
  allow: can.bring("team"),
  run: async ({ input, scope, tx, tell, did, later }) => {
    const reference = asReference({ ...input, fields: input.fields ?? {} })!;
    for (const [field, check] of Object.entries(CHECKS)) {
      const problem = check(reference.fields[field as keyof typeof CHECKS] ?? "");
      if (problem) throw fieldProblem(field, problem);
    }
    if (input.published && !partialDate(input.published))
      throw fieldProblem("published", "Write a date as 2026, 2026-03 or 2026-03-09.");
    const read = input.address ? readAddress(input.address) : null;
    if (read && !read.ok)
      throw fieldProblem("address", "This is not a web address. One looks like https://site.example/page.");
    const hash = read ? addressHash(read.address) : identityHash(workIdentity(input.title, reference));
    const known = await findByAddress(tx, input.team, hash);
    const id = known?.id ?? newId();
    const at = now();
    const typed = [
      "title",
      "kind",
      ...(["authors", "published", "description", "language"] as const).filter(
        (field) => input[field]?.length,
      ),
    ];
    if (!known) {
      await tx.insert(resource).values({
        ...empty(id),
        ...(read && { address: read.address, host: read.host, fetchState: "waiting" as const }),
        kind: kindOfType(input.type),
        title: input.title,
        authors: reference.authors ?? [],
        published: reference.published,
        language: reference.language,
        description: input.description ?? "",
        siteName:
          reference.fields["container-title"]?.slice(0, 200) ??
          reference.fields.publisher?.slice(0, 200) ??
          "",
        itemType: input.type,
        details: reference.fields,
        typed,
        team: input.team,
        addressHash: hash,
        addedBy: scope.person!,
        createdAt: at,
        updatedAt: at,
      });
      if (read) later(fetchJob(id, input.team, at));
    } else if (known.deletedAt) await tx.update(resource).set({ deletedAt: null }).where(eq(resource.id, id));
    return land({ input, scope, tx, tell, did }, id, {
      title: input.title,
      already: Boolean(known && !known.deletedAt),
    });
  },
});
