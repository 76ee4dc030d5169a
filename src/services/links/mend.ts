import { lockWatches, placementsOfResources } from "@/data/queries/links";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { countOf } from "@/mechanism/say-count";
import type { Tx } from "@/data/database";
import type { ChangeSet } from "@/mechanism/change-set";
import { leadTo } from "../placements/relink";

class MendLink {
  @Id() resource: string;
  /** Where it stands now; left out: where the site says that it has moved to. */
  @MaybeText(4_000) address?: string;
  /** Something of the catalogue that takes its place, instead. */
  @MaybeId() to?: string | null;
}

export const mendLink = action({
  name: "links.mend",
  about:
    "Lets everything that leads to an address lead to where its page stands now: places, headings, context lines and tags stay. One step takes all of it back.",
  input: MendLink,
  allow: can.arrange("resource"),
  // With every collection it stands in: nothing comes or goes there meanwhile.
  locks: ({ input }) => ({ resources: [input.resource], alive: [input.to] }),
  history: ({ changes }) => `mend ${countOf(changes, "placement", "a link", "links")}`,
  run: async ({ input, scope, tx, locked, set }) => {
    locked.resource(input.resource);
    if (input.to) {
      locked.mustBeOfTeam("resource", input.to, scope.team);
      return { resource: input.to, mended: await replace(tx, set, input.resource, input.to) };
    }
    const [watch] = await lockWatches(tx, [input.resource]);
    const address = input.address?.trim() || watch?.movedTo;
    if (!address) throw fieldProblem("address", "address-missing");
    const whose = { team: scope.team!, person: scope.person! };
    const items = await placementsOfResources(tx, [input.resource]);
    let to = input.resource;
    for (const item of items) to = await leadTo({ tx, set }, whose, item, address);
    if (items.length && to === input.resource) throw fieldProblem("address", "address-same");
    return { resource: to, mended: items.length };
  },
});

/** Lets everything that leads to one thing lead to another. @returns how many that were */
async function replace(tx: Tx, set: ChangeSet, from: string, to: string): Promise<number> {
  if (from === to) throw fieldProblem("to", "address-same");
  const items = await placementsOfResources(tx, [from]);
  for (const item of items) await set.change("placement", item, { resource: to, shownLive: null });
  return items.length;
}
