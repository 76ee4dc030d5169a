import { may } from "@/core/policy/abilities";
import { guestsOf } from "@/data/queries/guests";
import { openInvitations } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

class ReadGuests {
  @Id() collection: string;
}

export const readGuests = reading({
  name: "guests.read",
  about:
    "Who was let into a collection without being in its team, and as what; for those who publish also the open invitations.",
  input: ReadGuests,
  allow: can.see("collection"),
  run: async ({ input: { collection }, scope, tx }) => ({
    guests: await guestsOf(tx, collection),
    invitations: may(scope.role, "publish") ? await openInvitations(tx, scope.team!, collection, now()) : [],
  }),
});
