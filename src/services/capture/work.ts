import { readAddress } from "@/core/address/read-address";
import { checkDoi, checkIsbn, checkIssn } from "@/core/cite/identifiers";
import { ITEM_TYPES, type ItemType, kindOfType } from "@/core/cite/reference";
import { asReference } from "@/core/imports/check-lines";
import { FIELDS_SCHEMA } from "@/core/imports/line-schema";
import { workIdentity } from "@/core/imports/identity";
import { partialDate } from "@/core/page/dates";
import { action } from "@/mechanism/action";
import { Id, MaybeDescribed, MaybeId, MaybeText, MaybeTexts, Name, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { addressHash, identityHash } from "@/outside/hash";
import { empty, fetchJob } from "../resources/blank";
import { findOrAdd } from "../resources/find-or-add";
import { land } from "./land";

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
  @MaybeDescribed(FIELDS_SCHEMA) fields?: Record<string, string>;
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
  allow: can.bringIn(),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "bring in",
  run: async ({ input, scope, tx, locked, at, set, enqueue }) => {
    const reference = asReference({ ...input, fields: input.fields ?? {} })!;
    for (const [field, check] of Object.entries(CHECKS)) {
      const problem = check(reference.fields[field as keyof typeof CHECKS] ?? "");
      if (problem) throw fieldProblem(field, "identifier-not-valid", problem);
    }
    if (input.published && !partialDate(input.published))
      throw fieldProblem("published", "date-not-readable");
    const read = input.address ? readAddress(input.address) : null;
    if (read && !read.ok) throw fieldProblem("address", "address-not-web");
    const hash = read ? addressHash(read.address) : identityHash(workIdentity(input.title, reference));
    const typed = [
      "title",
      "kind",
      ...(["authors", "published", "description", "language"] as const).filter(
        (field) => input[field]?.length,
      ),
    ];
    const site = reference.fields["container-title"] ?? reference.fields.publisher ?? "";
    const whose = { team: input.team, person: scope.person!, sight: scope.sight, hash };
    const { id, known, already } = await findOrAdd(tx, set, whose, (fresh) => ({
      ...empty(fresh),
      ...(read && { address: read.address, host: read.host, fetchState: "waiting" as const }),
      kind: kindOfType(input.type),
      title: input.title,
      authors: reference.authors ?? [],
      published: reference.published,
      language: reference.language,
      description: input.description ?? "",
      siteName: site.slice(0, 200),
      itemType: input.type,
      details: reference.fields,
      typed,
    }));
    if (!known && read) enqueue(fetchJob(id, input.team, at));
    return land({ input, scope, tx, locked, set }, id, { title: input.title, already });
  },
});
