import { noteSeen } from "@/data/queries/texts-and-files";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { fetchJob, fileJob } from "./blank";

class FetchAgain {
  @Id() resource: string;
}

export const fetchAgain = action({
  name: "resources.fetch-again",
  about: "Reads the page again. Where something is known already, what differs is laid before people first.",
  input: FetchAgain,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: null,
  run: async ({ input, tx, locked, at, change, emit, enqueue }) => {
    const row = locked.resource(input.resource);
    if (!row.address && !row.fileName) throw new Problem("nothing-to-read-again");
    const waiting = { fetchState: "waiting" as const, fetchProblem: null };
    await change("resource", row, waiting, { verb: "resources.fetch-again", forGood: true });
    if (row.fetchState === "waiting") emit({ verb: "resources.fetch-again", subject: row.id });
    // As it is now, not as it was when somebody kept it.
    if (row.seenHash) await noteSeen(tx, row.id, null);
    const job = fetchJob(row.id, row.team, at);
    enqueue(
      row.fileName
        ? fileJob(row.id, row.team, at)
        : { ...job, payload: { ...job.payload, propose: row.fetchState === "done" } },
    );
    return { resource: row.id };
  },
});
