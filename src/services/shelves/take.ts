import { type EditionItem, itemsIn, withInside } from "@/core/editions/content";
import { placeAfter } from "@/core/order/place";
import { orderOfSections } from "@/data/queries/order";
import { itemsById } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id, Ids, MaybeId, MaybeIds } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { countOf } from "@/mechanism/say-count";
import { newId } from "@/outside/random";
import { takeSpots } from "../placements/take-spots";
import { bringInBorrowed } from "./bring-in-borrowed";
import { placed } from "./copy-lent";
import { creditTo, lentContent, MOST_LENT } from "./lent";

class TakeLent {
  /** The own collection into which it is taken. */
  @Id() collection: string;
  /** The public collection, of whatever team. */
  @Id() from: string;
  /** Items of it, or of what its readers are shown inside it … */
  @MaybeIds(MOST_LENT) items?: string[];
  /** … or a section with all that stands in it, which comes to the end of the own collection. */
  @MaybeId() part?: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  /** The item that shows it live; the copy stands in its stead, and it goes on as a link. */
  @MaybeId() instead?: string;
  /** Ids for the new items; sent twice they are taken once. */
  @Ids(MOST_LENT) ids: string[];
}

export const takeLent = action({
  name: "shelves.take",
  about:
    "Takes items, or a section, of a public collection into an own one, with their headings and context lines. From where they were taken stays with them.",
  input: TakeLent,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({
    collections: [input.collection],
    placements: input.instead ? [input.instead] : [],
  }),
  history: ({ changes }) => `copy ${countOf(changes, "placement", "an item", "items")} with credit`,
  run: async ({ input, scope, tx, at, locked, add, change, set }) => {
    const there = await itemsById(tx, input.collection, input.ids, []);
    if (there.length) return { items: there, section: there[0]!.section };
    const [team, person] = [scope.team!, scope.person!];
    const lent = await lentContent(tx, input.from, at);
    if (!lent) throw new Problem("not-found");
    const all = withInside(lent.content.collection);
    const part = input.part && all.flatMap((one) => one.sections).find((one) => one.id === input.part);
    const known = new Map(all.flatMap(itemsIn).map((item) => [item.id, item]));
    const wanted = part
      ? part.items
      : (input.items ?? []).flatMap((id): EditionItem[] => (known.has(id) ? [known.get(id)!] : []));
    if (!wanted.length && !part) throw new Problem("not-found");
    if (input.ids.length < wanted.length) throw new Problem("ids-missing");
    const pairs = new Map(wanted.map((item, i) => [item.id, input.ids[i]!]));
    let spot: { section?: string | null; after?: string | null } = input;
    if (part) {
      const sections = await orderOfSections(tx, input.collection);
      const { position, respread } = placeAfter(sections, sections.at(-1)?.id ?? null);
      await set.respread("section", respread, sections);
      const id = newId();
      const { title, intro } = part;
      await add("section", { id, collection: input.collection, title, intro, position, createdAt: at });
      pairs.set(part.id!, id);
      spot = { section: id };
    }
    const credit = newId();
    await creditTo(tx, lent, { id: credit, team, at, pairs });
    const resources = await bringInBorrowed(set, tx, { team, person }, wanted);
    const { section, positions } = await takeSpots(tx, set, input.collection, spot, [], wanted.length);
    const rows = wanted.map((item, i) =>
      placed(item, {
        ...{ id: pairs.get(item.id)!, team, collection: input.collection, section, credit },
        ...{ resource: resources.get(item.id)!, position: positions[i]!, addedBy: person },
        ...{ createdAt: at, updatedAt: at },
      }),
    );
    await add("placement", rows, { say: ({ resource }) => ({ resource }) });
    const instead = input.instead ? locked.placement(input.instead) : null;
    if (instead?.collection === input.collection && instead.shownLive === input.from)
      await change("placement", instead, { shownLive: null });
    const shown = [...pairs.values(), ...(instead ? [instead.id] : [])];
    return { items: await itemsById(tx, input.collection, shown, []), section };
  },
});
