import { readAddress } from "@/core/address/read-address";
import { groupBy } from "@/core/list/group-by";
import type { Audience, Shows } from "@/core/publish/model";
import { audienceNow, shownInside } from "@/core/publish/opens";
import { pointedTo } from "@/core/uses/portfolio";
import type { Tx } from "@/data/database";
import { hiddenOf } from "@/data/queries/care";
import { editionsOf } from "@/data/queries/editions";
import { openCodes } from "@/data/queries/listings";
import { addressesOn, shownLiveIn } from "@/data/queries/placements";
import { byShareCode, type SharedNode, sharedDown, sharedUp } from "@/data/queries/sharing";
import { sha256 } from "@/outside/hash";
import { addressOfHobbin } from "../accounts/address";
import { aboveOf } from "./shown";

export type BehindEdition = Pick<
  Awaited<ReturnType<typeof editionsOf>>[number],
  "number" | "words" | "isIssue" | "digest" | "createdAt" | "withdrawnAt"
>;

/** What a code leads to now. */
export type Behind = {
  root: string;
  team: string;
  /** The collections inside that readers are shown. */
  parts: ReadonlySet<string>;
  /** Those of them that stand in one of them, or in the root, from the top down. */
  below: (id: string) => string[];
  /** For whom it is now, by itself. */
  audience: Audience;
  /** Whether they see what stands there now, or the newest edition. */
  shows: Shows;
  /** Every edition that was kept, the newest first. */
  editions: BehindEdition[];
  /**
   * Of everything that a page under this code is made from: their versions, their places, who may see them. As long as it is
   * the same, the page is.
   */
  stamp: string;
};

/** What readers with this code are shown; null when it leads to nothing. It is asked twice a second for each page. */
export async function shownBehind(tx: Tx, code: string, at: Date): Promise<Behind | null> {
  const behind = await behindCode(tx, code, at);
  if (!behind) return null;
  // What a portfolio leads to is shown in it as it is now, and so is what is shown live.
  const portfolios = behind.nodes.flatMap((one) => (one.use === "portfolio" ? [one.id] : []));
  const home = addressOfHobbin();
  const ours = readAddress(home);
  const addresses = ours.ok ? await addressesOn(tx, portfolios, ours.host) : [];
  const live = await openCodes(
    tx,
    await shownLiveIn(
      tx,
      behind.nodes.map((one) => one.id),
    ),
    at,
  );
  const codes = [...live.values(), ...addresses.flatMap((one) => pointedTo(one, home)?.code ?? [])];
  const entries = await publicBehind(tx, codes, at);
  const stamps = [...entries].map(([entry, { stamp }]) => `${entry} ${stamp}`);
  return stamps.length ? { ...behind, stamp: sha256([behind.stamp, ...stamps].join("\n")) } : behind;
}

/** So many collections a portfolio shows; what goes on from there are links like any other, which are not shown. */
const MOST_ENTRIES = 100;

/** What these codes lead to, as far as it is public by itself. */
export async function publicBehind(tx: Tx, codes: readonly string[], at: Date): Promise<Map<string, Behind>> {
  const open = new Map<string, Behind>();
  for (const code of [...new Set(codes)].slice(0, MOST_ENTRIES)) {
    const behind = await behindCode(tx, code, at);
    if (behind?.audience === "public") open.set(code, behind);
  }
  return open;
}

async function behindCode(tx: Tx, code: string, at: Date) {
  const found = await byShareCode(tx, code);
  if (!found) return null;
  const nodes = await sharedDown(tx, found);
  const root = nodes.find((one) => one.id === found.id);
  if (!root || root.code !== code || audienceNow(root, at) === "team") return null;
  const shown = shownInside(nodes, root, at);
  const editions = await editionsOf(tx, root.id);
  // What stood in an edition may stand elsewhere by now, or nowhere.
  const hidden = editions.length ? await hiddenOf(tx, root.team) : [];
  const above = root.parent ? aboveOf(await sharedUp(tx, root.id), at) : [];
  const said = (one: SharedNode) =>
    [one.id, one.parent, one.version, audienceNow(one, at), one.reach, one.code].join(" ");
  const parts = root.reach === "all" ? shown : [];
  const byParent = groupBy(parts, (one) => one.parent);
  const below = (id: string): string[] =>
    (byParent.get(id) ?? []).flatMap((one) => [one.id, ...below(one.id)]);
  return {
    root: root.id,
    team: root.team,
    audience: audienceNow(root, at),
    nodes: [root, ...shown],
    parts: new Set(parts.map((one) => one.id)),
    below,
    shows: root.shows,
    editions,
    stamp: sha256(
      [
        ...[root, ...shown].map(said),
        JSON.stringify(above),
        root.shows,
        ...hidden,
        ...editions.map(saidOf),
      ].join("\n"),
    ),
  };
}

const saidOf = ({ number, withdrawnAt }: BehindEdition): string =>
  `${number} ${withdrawnAt?.toISOString() ?? ""}`;

/**
 * Which edition a page shows: the one that is asked for by its number, or the newest where readers are given that.
 * @returns `living` for the collection as it stands; null when there is nothing that could be shown
 */
export function editionAsked(behind: Behind, number: number | null): BehindEdition | "living" | null {
  if (number !== null) return behind.editions.find((one) => one.number === number) ?? null;
  if (behind.shows === "living") return "living";
  return behind.editions.find((one) => !one.withdrawnAt) ?? null;
}

/** The edition before one that it can be held against; an issue of a newsletter is held against none. */
export const editionBefore = (
  editions: readonly BehindEdition[],
  { number, isIssue }: Pick<BehindEdition, "number" | "isIssue">,
): BehindEdition | undefined =>
  isIssue ? undefined : editions.find((one) => one.number < number && !one.withdrawnAt && !one.isIssue);
