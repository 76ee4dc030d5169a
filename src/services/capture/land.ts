import type { Look } from "@/core/list/view-setting";
import { itemsById } from "@/data/queries/placements";
import { cardsById, placesOf, withTags } from "@/data/queries/resources";
import type { Running } from "../action";
import { putPlacement } from "../arrange/add-placement";
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
  look?: Look;
};

/**
 * Brings what was captured to where it goes: into a collection, or the person's Tray. Tells it, and answers with how
 * it looks and where it stood already. What stands in that collection already is not placed there a second time.
 * @param place false: it is left where it is, known or not, and only said to be here
 */
export async function land(
  { input, scope, tx, tell, did }: Pick<Running<Landing>, "input" | "scope" | "tx" | "tell" | "did">,
  id: string,
  { title, already, place }: { title: string; already: boolean; place?: boolean },
) {
  const { team, collection } = input;
  const places = already ? await placesOf(tx, id) : [];
  if (!already) tell({ subject: id, collection, verb: "resources.captured", data: { title } });
  let item;
  if (collection) {
    await mustBeOfTeam(tx, "collection", collection, team);
    if (place ?? !places.some((one) => one.collection === collection)) {
      const { id: placement, changes } = await putPlacement(tx, {
        ...input,
        collection,
        resource: id,
        person: scope.person!,
      });
      item = (await itemsById(tx, collection, [placement], []))[0];
      tell({ subject: placement, collection, verb: "placements.add", data: { resource: id } });
      // The resource itself stays in the catalogue: it may have been tagged or placed elsewhere by then.
      did("bring in", changes, "bring");
    }
  } else if (place ?? true) await intoTray(tx, team, scope.person!, id);
  const [card] = await withTags(tx, await cardsById(tx, team, [id]));
  return {
    resource: card!,
    already,
    places: places.map((one) => ({ collection: one.collection, title: one.title })),
    item,
  };
}
