import type { Tx } from "@/data/database";
import { itemsById } from "@/data/queries/placements";
import { cardsById, placesOf, withTags } from "@/data/queries/resources";
import type { Happening } from "../action";
import { putPlacement } from "../arrange/add-placement";
import type { Scope } from "../policy";
import { mustBeOfTeam } from "../same-team";
import { intoTray } from "./into-tray";

type Landing = {
  team: string;
  collection?: string;
  section?: string | null;
  after?: string | null;
  placement?: string;
  /** The context line of the placement. */
  context?: string;
};

/**
 * Brings what was captured to where it goes: into a collection, or the person's Tray. Tells it, and answers with how
 * it looks and where it stood already.
 */
export async function land(
  { input, scope, tx, tell }: { input: Landing; scope: Scope; tx: Tx; tell: (happening: Happening) => void },
  id: string,
  { title, already }: { title: string; already: boolean },
) {
  const places = already ? await placesOf(tx, id) : [];
  tell({ subject: id, collection: input.collection, verb: "resources.captured", data: { title } });
  let item;
  if (input.collection) {
    await mustBeOfTeam(tx, "collection", input.collection, input.team);
    const placement = await putPlacement(tx, {
      ...input,
      collection: input.collection,
      resource: id,
      person: scope.person!,
    });
    item = (await itemsById(tx, input.collection, [placement], []))[0];
    tell({
      subject: placement,
      collection: input.collection,
      verb: "placements.add",
      data: { resource: id },
    });
  } else await intoTray(tx, input.team, scope.person!, id);
  const [card] = await withTags(tx, await cardsById(tx, input.team, [id]));
  return {
    resource: card!,
    already,
    places: places.map((place) => ({ collection: place.collection, title: place.title })),
    item,
  };
}
