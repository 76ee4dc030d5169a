import { may } from "@/core/policy/abilities";
import { dropGuest, lockGuest } from "@/data/queries/guests";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class RemoveGuest {
  @Id() collection: string;
  @Id() person: string;
}

export const removeGuest = action({
  name: "guests.remove",
  about: "Takes a guest out of a collection, or leaves it oneself. What they made in it stays.",
  input: RemoveGuest,
  allow: can.seeHere("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input: { collection, person }, scope, tx, emit }) => {
    const ownWish = person === scope.person;
    if (!ownWish && (scope.sight || !may(scope.role, "publish"))) throw new Problem("not-allowed");
    if (!(await lockGuest(tx, collection, person))) throw new Problem("guest-unknown");
    await dropGuest(tx, collection, person);
    emit({ verb: "guests.remove", subject: person, collection });
    return { removed: person };
  },
});
