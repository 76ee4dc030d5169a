import { BULK, type NewJob } from "@/data/queries/jobs";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";
import { watchNow } from "./watch-now";

class SeekWays {
  @Id() resource: string;
}

/** The job that looks where a page may stand now. */
export const seekJob = (resource: string, team: string, at: Date, priority = BULK): NewJob => ({
  ...{ id: newId(), kind: "links.seek", payload: { resource }, team, priority },
  ...{ uniqueKey: `links.seek:${resource}`, createdAt: at },
});

export const seekWays = action({
  name: "links.seek",
  about:
    "Looks where a page may stand now: the same title elsewhere on its site, by its feed and its sitemap, and what an archive of the web kept of it.",
  input: SeekWays,
  allow: can.bring("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: null,
  run: async ({ input, tx, locked, at, enqueue, emit }) => {
    const row = locked.resource(input.resource);
    await watchNow(tx, row, at);
    enqueue(seekJob(row.id, row.team, at, 0));
    emit({ verb: "links.seek", subject: row.id });
    return { resource: row.id };
  },
});
