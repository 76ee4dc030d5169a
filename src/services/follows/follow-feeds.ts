import { readAddress } from "@/core/address/read-address";
import type { ListedFeed } from "@/core/feeds/of-list";
import type { Tx } from "@/data/database";
import { addFeeds, askSoon, feedsByHash } from "@/data/queries/feeds";
import { addFollows } from "@/data/queries/follows";
import type { ChangeSet } from "@/mechanism/change-set";
import { fieldProblem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { ADDRESS_WORDS } from "../capture/say-address";
import { feedJob } from "../feeds/jobs";
import { followHash } from "./follow-hash";

/** What a feed brought in this time before it was followed is new, too: one sees what it is like. */
const BEFORE = 14 * 86_400_000;
/** A longer address no feed needs. */
const LONGEST = 500;

/** The address of a feed as a list has it; null: it is none. */
export function listedAddress(written: string): string | null {
  const read = readAddress(written);
  return read.ok && read.address.length <= LONGEST ? read.address : null;
}

/** The address of a feed as it is asked for. @throws {Problem} beside its field, when it is none */
export function feedAddress(typed: string): string {
  const read = readAddress(typed);
  if (!read.ok) throw fieldProblem("what", "address-not-taken", ADDRESS_WORDS[read.problem]);
  if (read.address.length > LONGEST)
    throw fieldProblem("what", "address-not-taken", "This address is too long.");
  return read.address;
}

/** Follows feeds for somebody; those that were never read, or did not answer, are asked at once. */
export async function followFeeds(
  { tx, set }: { tx: Tx; set: ChangeSet },
  whose: { person: string; team: string },
  feeds: readonly ListedFeed[],
): Promise<void> {
  const { at } = set;
  const rows = feeds.map(({ address, title }) => ({
    ...{ id: newId(), hash: followHash("feed", address), address, nextAt: at },
    title: title || new URL(address).host,
  }));
  await addFeeds(tx, rows);
  await addFollows(
    tx,
    rows.map(({ hash, address, title }) => ({
      ...{ id: newId(), ...whose, kind: "feed" as const, what: address, name: title.slice(0, 200), hash },
      ...{ seenAt: new Date(at.getTime() - BEFORE), trayFrom: null, createdAt: at },
    })),
  );
  const hashes = rows.map(({ hash }) => hash);
  await askSoon(tx, hashes, at);
  const there = await feedsByHash(tx, hashes);
  for (const feed of there.values())
    if (feed.nextAt <= at) set.enqueue(feedJob(feed.id, at, rows.length > 1 ? undefined : 0));
}
