import { groupBy } from "@/core/list/group-by";
import { OLD_DAYS, TRAY_STATES, type TrayState } from "@/core/tray/states";
import { hitsOf } from "@/data/queries/rules";
import { trayCounts, trayFlow, traySum, trayOf } from "@/data/queries/tray";
import { reading } from "@/mechanism/action";
import { Id, MaybeOneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

const MOST = 500;
/** What came and went is counted over four weeks. */
const WEEKS = 4;
const DAY = 86_400_000;
const WEEK = 7 * DAY;

const OPEN: readonly TrayState[] = ["waiting", "looked", "use"];

class ReadTray {
  @Id() team: string;
  /** Which of it; without this whatever is not finished with. */
  @MaybeOneOf(TRAY_STATES) state?: TrayState;
}

export const readTray = reading({
  name: "tray.read",
  about:
    "What of one's own Tray waits, was looked at, is still to be used or was put away, newest first; without saying which, what is not finished with. With how much there is of each, and how much comes and goes a week.",
  input: ReadTray,
  allow: can.see("team"),
  run: async ({ input: { team, state }, scope, tx }) => {
    const person = scope.person!;
    const at = now().getTime();
    const [since, old] = [new Date(at - WEEKS * WEEK), new Date(at - OLD_DAYS * DAY)];
    const [entries, sum, counts, flow] = await Promise.all([
      trayOf(tx, person, team, state ? [state] : OPEN, MOST),
      traySum(tx, person, team),
      trayCounts(tx, person, team),
      trayFlow(tx, person, team, since, old),
    ]);
    const hits = await hitsOf(
      tx,
      entries.map((entry) => entry.resource.id),
    );
    const suggested = groupBy(
      hits.filter((hit) => hit.state === "suggested"),
      (hit) => hit.resource,
    );
    const inState = (which: TrayState) =>
      counts.filter((one) => one.state === which).reduce((total, one) => total + one.count, 0);
    return {
      entries: entries.map((entry) => ({ ...entry, suggestions: suggested.get(entry.resource.id) ?? [] })),
      ...sum,
      states: TRAY_STATES.map((which) => ({ state: which, count: inState(which) })),
      /** What waits, by its kind. */
      kinds: counts
        .filter((one) => one.state === "waiting")
        .map(({ kind, count, minutes }) => ({ kind, count, minutes })),
      /** How many have waited for long. */
      old: flow.old,
      /** On average of four weeks. */
      week: { came: Math.round(flow.came / WEEKS), left: Math.round(flow.left / WEEKS) },
    };
  },
});
