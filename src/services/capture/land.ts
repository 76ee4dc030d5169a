import type { Look } from "@/core/list/view-setting";
import type { Tx } from "@/data/database";
import { itemsById } from "@/data/queries/placements";
import { cardsById, placesOf, withTags } from "@/data/queries/resources";
import type { Running } from "@/mechanism/action";
import { inSight } from "@/mechanism/sight";
import { putPlacement } from "../placements/put";
import { intoTray } from "../tray/into-tray";

type Target = {
  team: string;
  collection?: string;
  section?: string | null;
  after?: string | null;
  placement?: string;
  /** The context line of the placement. */
  context?: string;
  look?: Look;
};

/**
 * Brings what was captured to where it goes: into a collection, or the person's Tray. Tells it, and answers with how
 * it looks and where it stood already. What stands in that collection already is not placed there a second time.
 * @param id of the resource
 * @param options.already whether it was in the catalogue before
 * @param options.place false: it is left where it is, known or not, and only said to be here
 */
export async function land(
  { input, scope, tx, locked, set }: Pick<Running<Target>, "input" | "scope" | "tx" | "locked" | "set">,
  id: string,
  { title, already, place }: { title: string; already: boolean; place?: boolean },
) {
  const { team, collection } = input;
  const places = already ? inSight(scope, await placesOf(tx, id)) : [];
  if (places.some((one) => one.placement === input.placement && one.collection === collection))
    return sentTwice({ input, tx }, id, places);
  if (!already) set.emit({ subject: id, collection, verb: "resources.captured", data: { title } });
  let item;
  if (collection) {
    locked.mustBeOfTeam("collection", collection, team);
    if (place ?? !places.some((one) => one.collection === collection)) {
      const wish = { ...input, collection, resource: id, person: scope.person! };
      item = (await itemsById(tx, collection, [await putPlacement(tx, set, wish)], []))[0];
    }
  } else if (place ?? true) await intoTray(set, team, scope.person!, id);
  return { resource: await cardIn(tx, team, id), already, places: places.map(named), item };
}

type Place = Awaited<ReturnType<typeof placesOf>>[number];
const named = ({ placement, collection, title }: Place) => ({ placement, collection, title });
const cardIn = async (tx: Tx, team: string, id: string) =>
  (await withTags(tx, await cardsById(tx, team, [id])))[0]!;

/** The same answer as the first time: what has that very id stands there because of it. */
async function sentTwice({ input, tx }: Pick<Running<Target>, "input" | "tx">, id: string, places: Place[]) {
  const resource = await cardIn(tx, input.team, id);
  const item = (await itemsById(tx, input.collection!, [input.placement!], []))[0]!;
  return {
    resource,
    already: resource.createdAt < item.addedAt,
    places: places.filter((one) => one.placement !== item.id).map(named),
    item,
  };
}
