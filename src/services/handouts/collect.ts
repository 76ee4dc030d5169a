import { IsBoolean } from "class-validator";
import { itemsIn, withInside } from "@/core/editions/content";
import { collected } from "@/core/handouts/collected";
import { keysAfter } from "@/core/order/place";
import { findCollection, lastPosition } from "@/data/queries/collections";
import { worksOf } from "@/data/queries/handouts";
import { lockResources } from "@/data/queries/locks";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { editionContent } from "../sheets/view-of";
import { bringInCollected } from "./bring-in-collected";

class CollectHandout {
  @Id() handout: string;
  /** Id for the collection; sent twice it is made once. */
  @Id() collection: string;
  @OneOf(["item", "learner"]) by: "item" | "learner";
  /** Whether the names of learners stand in it. */
  @IsBoolean() names: boolean;
}

export const collectHandout = action({
  name: "handouts.collect",
  about:
    "Makes a new collection of what learners wrote in a handout and what they found, by item or by learner, with names or without. What several found stands there once, with how many found it. Notes stay theirs.",
  input: CollectHandout,
  allow: can.publish("handout"),
  locks: ({ input }) => ({ team: true, handouts: [input.handout], collections: [input.collection] }),
  history: "collect what came back",
  run: async ({ input, scope, tx, at, locked, set, add }) => {
    const handout = locked.handout(input.handout);
    const [team, person] = [scope.team!, scope.person!];
    const { collection } = input;
    const there = await findCollection(tx, collection);
    if (there && there.team !== team) throw new Problem("id-taken");
    if (there) return { collection };
    const given = (await editionContent(tx, handout.edition))!;
    const sections = collected(given, await worksOf(tx, handout), input);
    if (!sections.length) throw new Problem("nothing-came-back");
    const title = `${handout.title.slice(0, 180)}: what came back`;
    const [position] = keysAfter(await lastPosition(tx, team, null), 1);
    const times = { createdAt: at, updatedAt: at };
    await add(
      "collection",
      { id: collection, team, parent: null, position: position!, title, description: "", ...times },
      { say: { title } },
    );
    const keys = keysAfter(null, sections.length);
    const rows = sections.map((one, i) => ({
      ...{ id: newId(), collection, title: one.title.slice(0, 200), position: keys[i]!, createdAt: at },
    }));
    await add("section", rows, { along: true });
    const resources = await bringInCollected(set, tx, { team, person }, sections);
    // What was handed out is placed as it is in the catalogue now, if it still is.
    const items = new Map(
      withInside(given)
        .flatMap(itemsIn)
        .map((item) => [item.id, item]),
    );
    const known = await lockResources(tx, [...new Set([...items.values()].map((item) => item.resource))]);
    const isThere = (id: string) => known.get(id)?.team === team && !known.get(id)!.deletedAt;
    const placed = sections.flatMap(({ entries }, i) => {
      const spots = keysAfter(null, entries.length);
      return entries.flatMap((entry, n) => {
        const item = entry.what === "given" ? items.get(entry.item)! : null;
        const resource = item ? item.resource : resources.get(entry)!;
        if (item && !isThere(resource)) return [];
        return {
          ...{ id: newId(), team, collection, section: rows[i]!.id, position: spots[n]!, resource },
          heading: item?.heading ?? (entry.what === "text" ? entry.heading : ""),
          context: item?.context ?? (entry.what === "find" ? entry.context : ""),
          look: entry.what === "text" ? ("text" as const) : ("item" as const),
          ...{ addedBy: person, ...times },
        };
      });
    });
    await add("placement", placed, { along: true });
    return { collection };
  },
});
