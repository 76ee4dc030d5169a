import { may } from "@/core/policy/abilities";
import type { Tx } from "@/data/database";
import {
  cameAfter,
  type FeedEntryRow,
  findFeed,
  lockFollow,
  setTrayFrom,
  traysOf,
} from "@/data/queries/feeds";
import { roleIn } from "@/data/queries/teams";
import type { ChangeSet } from "@/mechanism/change-set";
import { changingByItself, database } from "@/mechanism/changing";
import { blank, fetchJob } from "../resources/blank";
import { BULK } from "@/data/queries/jobs";
import { findOrAddAll } from "../resources/find-or-add";
import { intoTray } from "../tray/into-tray";

/** So much of what came at once: more than this nobody reads, and the rest stands under Followed. */
const MOST = 50;

/** Puts what came in a feed since the last time into the Trays of those who follow it and wish so. */
export async function bringToTrays(feed: string): Promise<void> {
  const row = await findFeed(database(), feed);
  for (const follow of row ? await traysOf(database(), row.hash) : []) await bringToTray(follow.id, feed);
}

/** The same for one of them, once. */
async function bringToTray(follow: string, feed: string): Promise<void> {
  await changingByItself(async (tx, begin) => {
    const row = await lockFollow(tx, follow);
    if (!row?.trayFrom) return;
    const { team, person } = row;
    // Who has left the team, or only looks at it by now, brings nothing in.
    if (!may(await roleIn(tx, team, person), "bring")) return setTrayFrom(tx, follow, null);
    const came = await cameAfter(tx, feed, row.trayFrom, MOST);
    if (!came.length) return;
    const set = begin({ team, person });
    for (const [resource, entry] of await resourcesOf(tx, set, { team, person }, came)) {
      set.emit({ subject: resource, verb: "resources.captured", data: { title: entry.title } });
      await intoTray(set, team, person, resource);
    }
    await setTrayFrom(tx, follow, came[0]!.cameAt);
  });
}

/** The resources that are new by it; what the team has already was looked at once. */
async function resourcesOf(
  tx: Tx,
  set: ChangeSet,
  whose: { team: string; person: string },
  came: readonly FeedEntryRow[],
): Promise<Map<string, FeedEntryRow>> {
  const entries = new Map(came.map((one) => [one.hash, one]));
  const wanted = new Map(
    came.map(({ hash, address, title, published }) => [
      hash,
      (id: string) => ({
        ...blank(id, address, new URL(address).host),
        title,
        ...(published && { published: published.toISOString().slice(0, 10) }),
      }),
    ]),
  );
  const found = await findOrAddAll(tx, set, whose, wanted);
  const made = new Map<string, FeedEntryRow>();
  for (const [hash, { id, already, known }] of found) {
    if (!known) set.enqueue(fetchJob(id, whose.team, set.at, BULK));
    if (!already) made.set(id, entries.get(hash)!);
  }
  return made;
}
