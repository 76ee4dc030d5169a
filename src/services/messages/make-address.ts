import { replaceAddress } from "@/data/queries/messages";
import { action } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newCode, newId } from "@/outside/random";
import { settings } from "@/outside/settings";

class MakeAddress {
  @Id() team: string;
  /** The collection what is sent goes to; without one the Tray. */
  @MaybeId() collection?: string | null;
}

export const makeMailAddress = action({
  name: "messages.make-address",
  about:
    "Makes a new address that takes mail; the one that led to the same place before takes none any more.",
  input: MakeAddress,
  allow: can.bring("team"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, scope, tx, locked, at }) => {
    if (input.collection) locked.mustBeOfTeam("collection", input.collection, input.team);
    const local = `in.${newCode()}`;
    await replaceAddress(tx, {
      id: newId(),
      local,
      team: input.team,
      person: scope.person!,
      collection: input.collection ?? null,
      createdAt: at,
    });
    return { address: `${local}@${settings().mailInHost}` };
  },
});
