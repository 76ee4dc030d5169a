import { IsInt, Max, Min } from "class-validator";
import { asPublished } from "@/core/editions/as-published";
import { AUDIENCES, REACHES } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { editionByNumber, type EditionRow, newestEdition } from "@/data/queries/editions";
import { reading } from "@/mechanism/action";
import { Id, MaybeId, MaybeOneOf, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { contentForReaders } from "../editions/content-for-readers";
import { contentOf } from "../editions/stored-content";
import { withTheirs } from "./live";
import { shownCollection } from "./portfolio";
import { type Shown, shownIf, shownTo } from "./shown";

class ReadPublished {
  @Id() collection: string;
  /** As it would be with these, for its own people. */
  @MaybeOneOf(AUDIENCES) audience?: (typeof AUDIENCES)[number];
  @MaybeOneOf(REACHES) reach?: (typeof REACHES)[number];
  /** As it stood in the edition with this number. */
  @Optional() @IsInt() @Min(1) @Max(1_000_000) edition?: number;
  /** Of an edition, the collection that stood inside and is meant; it may be gone by now. */
  @MaybeId() part?: string | null;
}

export const readPublished = reading({
  name: "reader.read",
  about:
    "A collection as readers get it, as it stands or as it stood in an edition. For members, and for whoever it is shared with.",
  input: ReadPublished,
  allow: can.read(),
  run: async ({ input, scope, actor, tx }) => {
    const isMember = scope.role !== null;
    const shown = isMember
      ? await shownIf(tx, input.collection, input, now())
      : (await shownTo(tx, input.collection, actor.share, now()))!;
    const edition = await editionOf(tx, shown, input.edition, isMember);
    if (!edition) {
      const living = await shownCollection(tx, input.collection, shown, now());
      return { collection: await withTheirs(tx, living, now()), edition: null };
    }
    const part = input.part ?? (input.collection === edition.collection ? null : input.collection);
    const { audience } = shown.root;
    const { framedBy } = (await findCollection(tx, edition.collection))!;
    const content = isMember
      ? await contentOf(edition.digest)
      : await contentForReaders(tx, scope.team!, edition.digest);
    const collection = asPublished(content, part, {
      ...{ audience, framedBy, keptAt: edition.createdAt },
    });
    if (!collection) throw new Problem("not-found");
    return { collection, edition: { number: edition.number, digest: edition.digest } };
  },
});

/**
 * The edition that is to be read; null: what stands there now.
 * @throws {Problem} not-found, when readers ask for one they are not given, or there is none where they are given the newest
 */
async function editionOf(
  tx: Tx,
  { root }: Shown,
  number: number | undefined,
  isMember: boolean,
): Promise<EditionRow | null> {
  if (number === undefined && (isMember || root.shows === "living")) return null;
  const found =
    number === undefined ? await newestEdition(tx, root.id) : await editionByNumber(tx, root.id, number);
  if (!found || (found.withdrawnAt && !isMember)) throw new Problem("not-found");
  return found;
}
