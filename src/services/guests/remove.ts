import { IsBoolean } from "class-validator";
import { may } from "@/core/policy/abilities";
import { dropGuest, lockGuest } from "@/data/queries/guests";
import { action } from "@/mechanism/action";
import { Id, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { leaveNameless } from "../members/nameless";

class RemoveGuest {
  @Id() collection: string;
  @Id() person: string;
  /** One's own name is taken off what one made; for oneself alone. */
  @Optional() @IsBoolean() nameless?: boolean;
}

export const removeGuest = action({
  name: "guests.remove",
  about:
    "Takes a guest out of a collection, or leaves it oneself. What they made in it stays, with their name or, as they wish, without.",
  input: RemoveGuest,
  allow: can.seeHere("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input: { collection, person, nameless }, scope, tx, at, emit, enqueue }) => {
    const ownWish = person === scope.person;
    if (nameless && !ownWish) throw new Problem("not-allowed");
    if (!ownWish && (scope.sight || !may(scope.role, "publish"))) throw new Problem("not-allowed");
    if (!(await lockGuest(tx, collection, person))) throw new Problem("guest-unknown");
    await dropGuest(tx, collection, person);
    if (nameless) await leaveNameless({ tx, at, enqueue }, { team: scope.team!, person });
    emit({ verb: "guests.remove", subject: person, collection });
    return { removed: person };
  },
});
