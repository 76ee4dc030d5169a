import { IsBoolean } from "class-validator";
import { type EditionCollection, withInside } from "@/core/editions/content";
import { placeAfter } from "@/core/order/place";
import { cameAt, type Offered, settledBy } from "@/core/shelves/offered";
import type { Tx } from "@/data/database";
import { lockCollections } from "@/data/queries/collections";
import { lockCredit, writeCredit } from "@/data/queries/credits";
import { lockPlacements, lockSections } from "@/data/queries/locks";
import { orderOfCollections, orderOfItems, orderOfSections } from "@/data/queries/order";
import { action } from "@/mechanism/action";
import type { ChangeSet } from "@/mechanism/change-set";
import { Id, MaybeTexts, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { takeSpots } from "../placements/take-spots";
import { bringInBorrowed } from "./bring-in-borrowed";
import { copyLent, placed } from "./copy-lent";
import { offersOf } from "./offers";

/** So many pieces are answered at once. */
const MOST = 2_000;

class AnswerOffers {
  @Id() collection: string;
  /** The keys of what is taken, and of what is left and not offered again. */
  @MaybeTexts(MOST, 60) take?: string[];
  @MaybeTexts(MOST, 60) leave?: string[];
  /** Whether later changes are to be offered. */
  @Optional() @IsBoolean() asks?: boolean;
}

export const answerOffers = action({
  name: "shelves.answer",
  about:
    "Takes what has changed where a collection was taken from, piece by piece, or leaves it, so that it is not offered again. Own words stay: where both changed, they are put together, or left as they are.",
  input: AnswerOffers,
  allow: can.arrange("collection"),
  // The tree: what came may be collections, and what changed may stand anywhere in the copy.
  locks: ({ input }) => ({ team: true, collections: [input.collection] }),
  history: "take what has changed",
  run: async ({ input, scope, tx, at, set }) => {
    const credit = await lockCredit(tx, input.collection);
    if (!credit) throw new Problem("not-found");
    await lockCollections(tx, Object.values(credit.pairs));
    const { lent, offered } = await offersOf(tx, credit, at);
    const byKey = new Map(offered.map((one) => [one.key, one]));
    const those = (keys: readonly string[] = []) => keys.flatMap((key) => byKey.get(key) ?? []);
    const taken = those(input.take);
    const pairs = { ...credit.pairs };
    if (lent && taken.length) {
      const who = { team: scope.team!, person: scope.person! };
      await new Taking(tx, set, who, lent.collection, pairs).all(taken);
    }
    const settled = Object.fromEntries(those(input.leave).map(settledBy));
    await writeCredit(tx, input.collection, {
      ...{ pairs, settled: { ...credit.settled, ...settled } },
      ...(input.asks !== undefined && { asks: input.asks }),
    });
    return { taken: taken.length };
  },
});

/** Takes pieces of what a lender shows now into the own copy. */
class Taking {
  constructor(
    private readonly tx: Tx,
    private readonly set: ChangeSet,
    private readonly who: { team: string; person: string },
    private readonly lent: EditionCollection,
    /** Ids there with ids here; what comes is added to them. */
    private readonly pairs: Record<string, string>,
  ) {}

  async all(offers: readonly Offered[]): Promise<void> {
    for (const offer of offers) {
      if (offer.what === "words") await this.words(offer);
      else if (offer.what === "added") await this.added(offer);
    }
    const gone = offers.flatMap((one) => (one.what === "gone" ? [this.pairs[one.id]!] : []));
    const rows = await lockPlacements(this.tx, gone);
    await this.set.remove("placement", [...rows.values()]);
  }

  /** Both sets of words where they can be put together; where not, the lender's, which were chosen. */
  private async words({ id, kind, of, now, merged }: Extract<Offered, { what: "words" }>): Promise<void> {
    const { tx, set } = this;
    const own = this.pairs[id]!;
    const words = { [of]: merged ?? now };
    if (kind === "item")
      await set.change("placement", [...(await lockPlacements(tx, [own])).values()], words);
    else if (kind === "section")
      await set.change("section", [...(await lockSections(tx, [own])).values()], words);
    else {
      const there = withInside(this.lent).find((one) => one.id === id)!;
      // Marks in a description are the lender's as long as its words are.
      const marked = of === "description" ? { rich: words[of] === there.description ? there.rich : "" } : {};
      await set.change("collection", await lockCollections(tx, [own]), { ...words, ...marked });
    }
  }

  private async added({ id, kind }: Offered): Promise<void> {
    if (kind === "collection") return this.collectionCame(id);
    if (kind === "section") await this.sectionCame(id);
    const { tx, set, who, pairs } = this;
    const came = cameAt(this.lent, id).filter(({ item }) => !pairs[item.id]);
    const resources = await bringInBorrowed(
      set,
      tx,
      who,
      came.map(({ item }) => item),
    );
    for (const { item, collection, section, after } of came) {
      const [home, within] = [pairs[collection], section && pairs[section]];
      if (!home || (section && !within)) continue;
      const behind = after && pairs[after];
      const mates = await orderOfItems(tx, home, within ?? null);
      // Where what it stood behind stands elsewhere here, or is gone, it comes to the end.
      const there = after === null ? null : mates.find((one) => one.id === behind)?.id;
      const { positions } = await takeSpots(tx, set, home, { section: within ?? null, after: there }, [], 1);
      const own = newId();
      pairs[item.id] = own;
      await set.add(
        "placement",
        placed(item, {
          ...{ id: own, team: who.team, collection: home, section: within ?? null, position: positions[0]! },
          ...{ resource: resources.get(item.id)!, addedBy: who.person, createdAt: set.at, updatedAt: set.at },
        }),
      );
    }
  }

  private async sectionCame(id: string): Promise<void> {
    const { tx, set, pairs } = this;
    for (const one of withInside(this.lent)) {
      const section = one.sections.find((each) => each.id === id);
      const home = section && pairs[one.id];
      if (!home) continue;
      const sections = await orderOfSections(tx, home);
      const { position, respread } = placeAfter(sections, sections.at(-1)?.id ?? null);
      await set.respread("section", respread, sections);
      pairs[id] = newId();
      const { title, intro } = section;
      await set.add("section", {
        ...{ id: pairs[id], collection: home, title, intro, position, createdAt: set.at },
      });
    }
  }

  private async collectionCame(id: string): Promise<void> {
    const { tx, set, who, pairs } = this;
    for (const parent of withInside(this.lent)) {
      const top = parent.inside.find((one) => one.id === id);
      const home = top && pairs[parent.id];
      if (!home) continue;
      const mates = await orderOfCollections(tx, who.team, home);
      const { position, respread } = placeAfter(mates, mates.at(-1)?.id ?? null);
      await set.respread("collection", respread, mates);
      const made = await copyLent(set, tx, who, top, { id: newId(), parent: home, position });
      Object.assign(pairs, Object.fromEntries(made));
    }
  }
}
