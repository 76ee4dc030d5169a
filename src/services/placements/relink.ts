import { readAddress } from "@/core/address/read-address";
import { itemsById } from "@/data/queries/placements";
import { tagsOf } from "@/data/queries/resources";
import type { Tx } from "@/data/database";
import type { PlacementRow } from "@/data/queries/placements";
import { action } from "@/mechanism/action";
import type { ChangeSet } from "@/mechanism/change-set";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { addressHash } from "@/outside/hash";
import { ADDRESS_WORDS } from "../capture/say-address";
import { blank, fetchJob } from "../resources/blank";
import { findOrAdd } from "../resources/find-or-add";
import { putTags } from "../tags/put";

class RelinkPlacement {
  @Id() placement: string;
  @Name("an address", 4000) address: string;
}

export const relinkPlacement = action({
  name: "placements.relink",
  about:
    "Lets an item lead to another address, where its page stands now: its place, heading, context line and what was said of it stay, and so do its tags. What was at the old address stays in the catalogue.",
  input: RelinkPlacement,
  allow: can.arrange("placement"),
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: "mend a link",
  run: async ({ input, scope, tx, locked, set }) => {
    const before = locked.placement(input.placement);
    const whose = { team: scope.team!, person: scope.person! };
    await leadTo({ tx, set }, whose, before, input.address);
    return { items: await itemsById(tx, before.collection, [before.id], []) };
  },
});

/**
 * Lets an item lead to another address. The item is locked.
 * @returns the resource it leads to now
 * @throws {Problem} address-not-taken
 */
export async function leadTo(
  { tx, set }: { tx: Tx; set: ChangeSet },
  whose: { team: string; person: string },
  item: PlacementRow,
  address: string,
): Promise<string> {
  const read = readAddress(address);
  if (!read.ok) throw fieldProblem("address", "address-not-taken", ADDRESS_WORDS[read.problem]);
  const { id, known } = await findOrAdd(tx, set, { ...whose, hash: addressHash(read.address) }, (fresh) =>
    blank(fresh, read.address, read.host),
  );
  if (id === item.resource) return id;
  if (!known) {
    const tags = (await tagsOf(tx, [item.resource])).get(item.resource) ?? [];
    await putTags(tx, set, whose.team, new Map([[id, tags]]), { along: true });
    set.enqueue(fetchJob(id, whose.team, set.at));
  }
  // What is shown live there is another collection, if it is one.
  await set.change("placement", item, { resource: id, shownLive: null });
  return id;
}
