import { eventsOf } from "@/data/queries/events";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

const MOST = 40;

class ReadHistory {
  @Id() resource: string;
}

export const readHistory = reading({
  name: "resources.history",
  about: "What happened to a resource and wherever it stands, newest first.",
  input: ReadHistory,
  allow: can.seeHere("resource"),
  run: async ({ input, scope, tx }) => {
    const events = await eventsOf(tx, scope.team!, scope.person!, input.resource, MOST);
    const sight = scope.sight ?? null;
    // What is told of no collection is told of the thing itself, which they see.
    return { events: events.filter(({ collection }) => !sight || !collection || sight.has(collection)) };
  },
});
