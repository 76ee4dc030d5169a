import { FOLLOWED, type Followed } from "@/core/shelves/followed";
import { dropFollow } from "@/data/queries/follows";
import { action } from "@/mechanism/action";
import { Id, Name, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { followHash } from "./follow-hash";

class RemoveFollow {
  @Id() team: string;
  @OneOf(FOLLOWED) kind: Followed;
  @Name("what is followed", 500) what: string;
}

export const removeFromFollowed = action({
  name: "follows.remove",
  about: "Follows something no more.",
  input: RemoveFollow,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, kind, what }, scope, tx }) => {
    const hash = followHash(kind, what);
    await dropFollow(tx, { person: scope.person!, team }, hash);
    return { hash };
  },
});
