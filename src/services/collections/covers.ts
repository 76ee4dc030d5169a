import { downFrom } from "@/core/list/course";
import { clothOf, collectionTree } from "@/data/queries/collections";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { audienceNow } from "@/core/publish/opens";

class OfTeam {
  @Id() team: string;
}

const SHOWN = 24;
/** Of all of them together at most so many stretches are drawn. */
const STRETCHES = 120;

export const readCovers = reading({
  name: "collections.covers",
  about:
    "The collections at the top of a team, those changed last first, each with everything inside it as stretches of one cloth: how many items, how long, and from what it is woven.",
  input: OfTeam,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    // What was put away is out of the way here; the tree shows it.
    const all = (await collectionTree(tx, input.team)).filter((one) => !one.awayAt);
    const tops = all
      .filter((one) => !one.parent || !all.some((other) => other.id === one.parent))
      .map((top) => {
        const whole = downFrom(all, top.id);
        const changed = new Date(Math.max(...whole.map((one) => one.updatedAt.getTime())));
        return { top, whole, changed };
      })
      .sort((a, b) => b.changed.getTime() - a.changed.getTime());
    const shown = tops.slice(0, SHOWN);
    const cloths = await clothOf(
      tx,
      shown
        .flatMap(({ whole }) => whole)
        .slice(0, STRETCHES)
        .map((one) => one.id),
    );
    const at = now();
    return {
      total: tops.length,
      collections: shown.map(({ top, whole, changed }) => ({
        id: top.id,
        title: top.title,
        audience: audienceNow(top, at),
        changed,
        inside: whole.slice(1).map((one) => one.title),
        stretches: whole.flatMap(({ id, title }) => {
          const cloth = cloths.get(id);
          return cloth?.items ? [{ id, title, ...cloth }] : [];
        }),
      })),
    };
  },
});
