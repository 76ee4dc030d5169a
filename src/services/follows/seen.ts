import { setSeen } from "@/data/queries/follows";
import { action } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class Seen {
  @Id() team: string;
  /** One of those one follows; left out: all of them. */
  @MaybeId() follow?: string;
}

export const seenFollowed = action({
  name: "follows.seen",
  about: "Notes that one has looked at what came in what one follows.",
  input: Seen,
  allow: can.see("team"),
  locks: null,
  history: null,
  run: async ({ input: { team, follow }, scope, tx, at }) => {
    await setSeen(tx, { person: scope.person!, team }, follow ?? null, at);
    return { seenAt: at };
  },
});
