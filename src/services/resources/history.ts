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
  allow: can.see("resource"),
  run: async ({ input, scope, tx }) => ({
    events: await eventsOf(tx, scope.team!, scope.person!, input.resource, MOST),
  }),
});
