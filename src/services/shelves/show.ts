import { readAddress } from "@/core/address/read-address";
import { findCollection } from "@/data/queries/collections";
import { publicNow, publicTeamName } from "@/data/queries/listings";
import { itemsById } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { addressHash } from "@/outside/hash";
import { takeSpots } from "../placements/take-spots";
import { addressOf } from "../portfolios/offered";
import { empty } from "../resources/blank";
import { findOrAddAll } from "../resources/find-or-add";
import { refuseWithin } from "./public-at";

class ShowLent {
  /** The own collection in which it is shown. */
  @Id() collection: string;
  /** The public collection, of whatever team. */
  @Id() shown: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  /** Id for the item that leads to it; sent twice it is placed once. */
  @Id() placement: string;
}

export const showLent = action({
  name: "shelves.show",
  about:
    "Shows a public collection in an own one as it stands there: an item that leads to it, with what its readers are shown of it at the time. Nothing of it is copied; once it is public no more, nothing of it is shown.",
  input: ShowLent,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "show theirs here",
  run: async ({ input, scope, tx, at, add, set }) => {
    const there = await itemsById(tx, input.collection, [input.placement], []);
    if (there.length) return { items: there, section: there[0]!.section };
    const [team, person] = [scope.team!, scope.person!];
    const open = await publicNow(tx, input.shown, at);
    const read = open && readAddress(addressOf(open.code));
    if (!read?.ok) throw new Problem("not-found");
    await refuseWithin(tx, input.shown, input.collection);
    const { title, description } = (await findCollection(tx, input.shown))!;
    const siteName = (await publicTeamName(tx, open!.team, at)) ?? "";
    const hash = addressHash(read.address);
    const { address, host } = read;
    // What it is called there is known; nothing has to be fetched for it.
    const made = (id: string) => ({ ...empty(id), address, host, title, description, siteName });
    const found = await findOrAddAll(tx, set, { team, person }, new Map([[hash, made]]));
    const { section, positions } = await takeSpots(tx, set, input.collection, input, [], 1);
    const row = {
      ...{ id: input.placement, team, collection: input.collection, section, position: positions[0]! },
      ...{ resource: found.get(hash)!.id, heading: "", context: "", look: "item" as const },
      ...{ shownLive: input.shown, addedBy: person, createdAt: at, updatedAt: at },
    };
    await add("placement", row, { say: ({ resource }) => ({ resource }) });
    return { items: await itemsById(tx, input.collection, [row.id], []), section };
  },
});
