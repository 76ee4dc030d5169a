import { findWatch, setFound, watchOne } from "@/data/queries/links";
import type { NewJob } from "@/data/queries/jobs";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";

class AskInside {
  @Id() resource: string;
}

/** As long as this what was asked counts, in milliseconds. */
const COUNTS = 30 * 86_400_000;

/** For so long it is being asked; after that something went wrong, and it is asked anew. */
const TAKES = 10 * 60_000;

/** The job that asks the links in a page. */
const insideJob = (resource: string, team: string, at: Date): NewJob => ({
  ...{ id: newId(), kind: "links.inside", payload: { resource }, team },
  ...{ uniqueKey: `links.inside:${resource}`, createdAt: at },
});

export const askInside = action({
  name: "links.inside",
  about:
    "How many of the links in a page's reading copy lead nowhere, as far as that was asked in the last month; else they are asked now, and it is told when that is done. `asked` is null where no copy is kept.",
  input: AskInside,
  allow: can.bring("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: null,
  run: async ({ input, tx, locked, at, enqueue, emit }) => {
    const row = locked.resource(input.resource);
    // Of what is kept in no copy nobody knows where it leads.
    const unknown = { inside: { asked: null, dead: [], at } };
    if (!/^https?:/i.test(row.address)) return unknown;
    await watchOne(tx, { resource: row.id, team: row.team, host: row.host, nextAt: at });
    const found = await findWatch(tx, row.id);
    if (!found?.origin) return unknown;
    const { watch } = found;
    const { insideAt, insideAsked: asked, insideDead: dead } = watch;
    const age = at.getTime() - (insideAt?.getTime() ?? -Infinity);
    if (insideAt && asked !== null && age < COUNTS)
      return { inside: { asked, dead: dead ?? [], at: insideAt } };
    // Whoever waits for it comes by often; it is asked once.
    if (asked === null && age < TAKES) return { inside: null };
    await setFound(tx, row.id, { insideAsked: null, insideDead: null, insideAt: at });
    enqueue(insideJob(row.id, row.team, at));
    emit({ verb: "links.inside", subject: row.id });
    return { inside: null };
  },
});
