import { type EditionCollection, withInside } from "@/core/editions/content";
import { placeAfter } from "@/core/order/place";
import { cameAt, type Offered } from "@/core/shelves/offered";
import type { Tx } from "@/data/database";
import { lockCollections } from "@/data/queries/collections";
import { lockPlacements, lockSections } from "@/data/queries/locks";
import { orderOfCollections, orderOfItems, orderOfSections } from "@/data/queries/order";
import type { ChangeSet } from "@/mechanism/change-set";
import { newId } from "@/outside/random";
import { takeSpots } from "../placements/take-spots";
import { bringInBorrowed } from "./bring-in-borrowed";
import { copyLent, placed, type Taker } from "./copy-lent";

/** Takes pieces of what a lender shows now into the own copy. */
export class Taking {
  constructor(
    private readonly tx: Tx,
    private readonly set: ChangeSet,
    private readonly taker: Taker,
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
    const { tx, set, taker, pairs } = this;
    const came = cameAt(this.lent, id).filter(({ item }) => !pairs[item.id]);
    const resources = await bringInBorrowed(
      set,
      tx,
      taker,
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
          ...{
            id: own,
            team: taker.team,
            credit: taker.credit,
            collection: home,
            section: within ?? null,
            position: positions[0]!,
          },
          ...{
            resource: resources.get(item.id)!,
            addedBy: taker.person,
            createdAt: set.at,
            updatedAt: set.at,
          },
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
    const { tx, set, taker, pairs } = this;
    for (const parent of withInside(this.lent)) {
      const top = parent.inside.find((one) => one.id === id);
      const home = top && pairs[parent.id];
      if (!home) continue;
      const mates = await orderOfCollections(tx, taker.team, home);
      const { position, respread } = placeAfter(mates, mates.at(-1)?.id ?? null);
      await set.respread("collection", respread, mates);
      const made = await copyLent(set, tx, taker, top, { id: newId(), parent: home, position });
      Object.assign(pairs, Object.fromEntries(made));
    }
  }
}
