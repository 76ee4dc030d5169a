import { endSessionsOf } from "@/data/queries/sessions";
import { action } from "@/mechanism/action";
import { MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class EndSessions {
  /** One of one's own; left out: all but the one that asks. */
  @MaybeId() session?: string;
}

export const endSessions = action({
  name: "sessions.end",
  about:
    "Ends one of one's own sessions, or all but the one that asks; what is open by them learns nothing more within seconds.",
  input: EndSessions,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, actor, scope, tx }) => {
    const own = actor.by?.kind === "session" ? actor.by.id : null;
    await endSessionsOf(tx, scope.person!, input.session ? { id: input.session } : { but: own });
    return { ended: true };
  },
});
