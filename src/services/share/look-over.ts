import { weighedOf } from "@/core/appraise/weighed";
import { loadOf, minutesIn, sumOf } from "@/core/fit/load";
import { paceAt } from "@/core/fit/pace";
import { type LinkState, LOST } from "@/core/health/link-state";
import { mayHandOn } from "@/core/licence/known";
import { clockOf } from "@/core/lesson/clock";
import { lookOver } from "@/core/publish/look-over";
import { type Reach, REACHES } from "@/core/publish/model";
import type { Tx } from "@/data/database";
import { findCollection } from "@/data/queries/collections";
import { aimsOf, timesIn } from "@/data/queries/load";
import { openCodes } from "@/data/queries/listings";
import type { Item } from "@/data/queries/placements";
import { countWithNotes } from "@/data/queries/resources";
import { phasesOf } from "@/data/queries/sections";
import { sharedDown } from "@/data/queries/sharing";
import { lixAmong } from "@/data/queries/texts-and-files";
import { toldAmong } from "@/data/queries/links";
import { sayingsOf } from "@/data/queries/weighed";
import { reading } from "@/mechanism/action";
import { Id, MaybeOneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { isWithinReach } from "@/outside/fetch/reach";
import { leadsOf } from "../reader/portfolio";
import { allItems } from "../reader/published-collection";
import { shownIf } from "../reader/shown";

class LookOver {
  @Id() collection: string;
  @MaybeOneOf(REACHES) reach?: Reach;
}

/** Of each kind of thing to be noticed so many are named. */
const NAMED = 50;

export const lookOverCollection = reading({
  name: "share.look-over",
  about:
    "What a careful colleague would notice of a collection before it goes out, and how much of what it holds readers would see.",
  input: LookOver,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const shown = await shownIf(tx, input.collection, input, now());
    const found = (await findCollection(tx, input.collection))!;
    const seen = [shown.root, ...(shown.root.reach === "all" ? shown.inside : [])];
    const items = [];
    let kept = 0;
    for (const { id } of seen)
      for (const item of await allItems(tx, id))
        if (item.forReaders) items.push({ ...item, collection: id });
        else kept++;
    const all = await sharedDown(tx, found);
    const open = new Set([...seen, ...shown.inside].map((one) => one.id));
    const closed = all.filter((one) => !open.has(one.id) && one.awayAt === null);
    const minutes = found.use === "lesson" ? await clockSum(tx, found.id) : await minutesOf(tx, seen);
    const levels =
      found.aimLevel === null ? null : await lixAmong(tx, [...new Set(items.map((one) => one.resource.id))]);
    const led = found.use === "portfolio" ? await leadsOf(tx, items, now()) : null;
    const live = await openCodes(
      tx,
      items.flatMap((item) => item.shownLive ?? []),
      now(),
    );
    const far = await weighedAmong(tx, items);
    const became = await toldAmong(tx, found.team, [...new Set(items.map((one) => one.resource.id))]);
    const looked = items.map((item) => ({
      ...item,
      became: becameOf(became.get(item.resource.id)),
      ...(far.size > 0 && { weighed: far.get(item.resource.id) ?? ("no" as const) }),
      lix: levels?.get(item.resource.id),
      leadsTo: item.shownLive
        ? live.has(item.shownLive)
          ? ("public" as const)
          : ("closed" as const)
        : led?.get(item.resource.address),
    }));
    const findings = lookOver({ items: looked, closed, collection: found, minutes }, isWithinReach);
    const counts: Record<string, number> = {};
    const named = findings.filter(({ kind }) => (counts[kind] = (counts[kind] ?? 0) + 1) <= NAMED);
    return {
      holds: {
        items: items.filter((item) => item.look === "item").length,
        minutes,
        files: items.filter((item) => item.resource.file !== null).length,
        kept,
        /** How many of them may be handed on, how many only linked to, and of how many nobody knows. */
        licences: countLicences(items),
        notes: await countWithNotes(tx, [...new Set(items.map(({ resource }) => resource.id))]),
      },
      inside: all
        .filter((one) => one.id !== found.id && one.awayAt === null)
        .map(({ id, parent, title, leftOut }) => ({ id, parent, title, leftOut, isShown: open.has(id) })),
      aimMinutes: found.aimMinutes,
      aimLevel: found.aimLevel,
      findings: named,
      counts,
    };
  },
});

const becameOf = (state: LinkState | undefined) =>
  state && (LOST.includes(state) ? ("lost" as const) : ("other" as const));

/** How far things are judged. */
async function weighedAmong(tx: Tx, items: readonly Item[]) {
  const ids = [...new Set(items.map(({ resource }) => resource.id))];
  return new Map(weighedOf(await sayingsOf(tx, ids)).map(({ resource, is }) => [resource, is]));
}

function countLicences(items: readonly Item[]): Record<"yes" | "link" | "unknown", number> {
  const counts = { yes: 0, link: 0, unknown: 0 };
  for (const { look, resource } of items)
    if (look === "item" && resource.kind !== "note") counts[mayHandOn(resource.licence)]++;
  return counts;
}

/** How long its readers are busy with it, as fast as they read; what is for whoever has time left is not counted. */
async function minutesOf(tx: Tx, seen: readonly { id: string; team: string }[]): Promise<number> {
  const tree = new Map((await aimsOf(tx, seen[0]!.team)).map((one) => [one.id, one]));
  const times = await timesIn(
    tx,
    seen.map(({ id }) => id),
  );
  const meant = times.filter(({ forReaders, beyond }) => forReaders && !beyond);
  return minutesIn(sumOf(meant.map((one) => loadOf(one, paceAt(tree, one.collection).pace))));
}

/** How long a lesson takes by its phases, whatever lies ready in them. */
const clockSum = async (tx: Tx, lesson: string) => clockOf(await phasesOf(tx, lesson), null).total;
