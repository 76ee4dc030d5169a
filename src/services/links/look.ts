import type { NewJob } from "@/data/queries/jobs";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";
import { watchNow } from "./watch-now";

class LookNow {
  @Id() resource: string;
}

/** The job that asks one address. */
const lookJob = (resource: string, team: string, at: Date): NewJob => ({
  ...{ id: newId(), kind: "links.look", payload: { resource }, team },
  ...{ uniqueKey: `links.look:${resource}`, createdAt: at },
});

export const lookNow = action({
  name: "links.look",
  about: "Asks an address what has become of it, without waiting for its day.",
  input: LookNow,
  allow: can.bring("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: null,
  run: async ({ input, tx, locked, at, enqueue, emit }) => {
    const row = locked.resource(input.resource);
    await watchNow(tx, row, at);
    enqueue(lookJob(row.id, row.team, at));
    emit({ verb: "links.look", subject: row.id });
    return { resource: row.id };
  },
});
