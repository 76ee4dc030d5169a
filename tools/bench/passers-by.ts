import { eq } from "drizzle-orm";
import { event, lastVisit, placement } from "@/data/schema";
import { type Actor, STRANGER } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { letIn } from "@/services/suggestions/let-in";
import { as, fillCollection, somebody } from "./fill";
import { type Figure, median, timed } from "./figures";

const SUGGESTED = 200;
const HAPPENED = 100_000;
/** Of which so many came since one was here. */
const SINCE = 300;
/** One comes so long after the other, in milliseconds. */
const STEP = 10_000;
/** So far back a state is looked at. */
const BACK = [100, 10_000];

/** What a flood of suggestions costs, and what is new in a collection of which much has happened. */
export async function* measurePassersBy(
  actor: Actor,
  team: string,
  resources: readonly string[],
): AsyncGenerator<Figure> {
  const collection = await fillCollection(actor, team, "For passers-by", resources.slice(0, 50));
  const { link: page } = await as(actor, "suggestions.set-page", { collection, letsIn: true });
  const offers = Array.from({ length: SUGGESTED }, (_, i) => ({
    ...{ page, suggestion: newId(), name: `Learner ${i}`, address: `https://of-many.example/${team}/${i}` },
  }));
  const each: number[] = [];
  const all = await timed(() =>
    Promise.all(
      offers.map(async (one) => each.push(await timed(() => as(STRANGER, "suggestions.offer", one)))),
    ),
  );
  const slowest = each.toSorted((a, b) => a - b)[Math.floor(each.length * 0.95)]!;
  yield {
    what: `${SUGGESTED} suggest something at once: all of them; p95 of one`,
    measured: `${all.toFixed(0)} ms; ${slowest.toFixed(0)} ms`,
    aim: "under 60 s, none lost",
    met: all < 60_000 && each.length === SUGGESTED,
  };
  const taken = await timed(() => letIn(collection));
  const { decided, count } = await as(actor, "suggestions.read", { collection });
  yield {
    what: `Letting these ${SUGGESTED} in`,
    measured: `${taken.toFixed(0)} ms`,
    aim: "under 10 s, none twice",
    met: taken < 10_000 && count === 0 && decided.every(({ state }) => state === "accepted"),
  };

  const other = await somebody(`passer-${newId()}@bench.example`);
  const { items } = await as(actor, "collections.items", { collection });
  const at = Date.now() - HAPPENED * STEP;
  const written: string[] = [];
  // They stood there before all that happened.
  await database()
    .update(placement)
    .set({ createdAt: new Date(at) })
    .where(eq(placement.collection, collection));
  for (let from = 0; from < HAPPENED; from += 1_000)
    await database()
      .insert(event)
      .values(
        Array.from({ length: 1_000 }, (_, i) => {
          const n = from + i;
          const when = new Date(at + n * STEP);
          const subject = items[n % 50]!.id;
          const said = (n: number) => ({ context: n < 50 ? "" : `Words of ${n}` });
          const changes = [{ type: "placement" as const, id: subject, before: said(n - 50), after: said(n) }];
          const id = newId();
          written.push(id);
          return {
            ...{ id, team, collection, actor: other.person!.id, at: when, written: when },
            ...{ verb: "placements.edit", subject, data: {}, changes },
          };
        }),
      );
  await database()
    .insert(lastVisit)
    .values({ person: actor.person!.id, collection, at: new Date(at + (HAPPENED - SINCE) * STEP) });
  const news: number[] = [];
  const list: number[] = [];
  for (let i = 0; i < 9; i++) {
    news.push(await timed(() => as(actor, "collections.news", { collection })));
    list.push(await timed(() => as(actor, "collections.happened", { collection })));
  }
  yield {
    what: `What is new, ${HAPPENED.toLocaleString("en")} events behind it; the list of what happened, medians of 9`,
    measured: `${median(news).toFixed(0)} ms; ${median(list).toFixed(0)} ms`,
    aim: "under 50 ms",
    met: median(news) < 50 && median(list) < 50,
  };

  const log: number[][] = [[], []];
  for (let i = 0; i < 5; i++)
    for (const [n, kind] of [undefined, "sharing"].entries())
      log[n]!.push(await timed(() => as(actor, "log.read", { team, kind })));
  yield {
    what: `Who did what in a team of ${HAPPENED.toLocaleString("en")} events: the newest; of a kind that is rare among them, medians of 5`,
    measured: log.map((of) => `${median(of).toFixed(0)} ms`).join("; "),
    aim: "under 300 ms",
    met: log.every((of) => median(of) < 300),
  };

  const then: number[] = [];
  for (const back of BACK) {
    const of: number[] = [];
    for (let i = 0; i < 5; i++)
      of.push(
        await timed(async () => {
          const asked = { collection, event: written.at(-1 - back)! };
          const { items: found } = await as(actor, "collections.then", asked);
          const nth = HAPPENED - 1 - back;
          if (!found.some((item) => item.context === `Words of ${nth}`)) throw new Error("It was not so.");
        }),
      );
    then.push(median(of));
  }
  yield {
    what: `A collection as it was ${BACK.map((n) => n.toLocaleString("en")).join(" and ")} events ago, medians of 5`,
    measured: then.map((ms) => `${ms.toFixed(0)} ms`).join("; "),
    aim: "under 300 ms for the first",
    met: then[0]! < 300,
  };
}
