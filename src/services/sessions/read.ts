import { sayBrowser } from "@/core/accounts/say-browser";
import { sessionsOf } from "@/data/queries/sessions";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

export const readSessions = reading({
  name: "sessions.read",
  about: "Where one is signed in: in which browsers, since when, and when it was last used, to within a day.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ actor, scope, tx }) => ({
    sessions: (await sessionsOf(tx, scope.person!, now())).map(({ agent, ...one }) => ({
      ...one,
      browser: sayBrowser(agent),
      isThis: actor.by?.kind === "session" && actor.by.id === one.id,
    })),
  }),
});
