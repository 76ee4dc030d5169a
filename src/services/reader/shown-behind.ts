import { groupBy } from "@/core/list/group-by";
import type { Shows } from "@/core/publish/model";
import { audienceNow, shownInside } from "@/core/publish/opens";
import type { Tx } from "@/data/database";
import { editionsOf } from "@/data/queries/editions";
import { byShareCode, type SharedNode, sharedDown, sharedUp } from "@/data/queries/sharing";
import { sha256 } from "@/outside/hash";
import { aboveOf } from "./shown";

export type BehindEdition = Pick<
  Awaited<ReturnType<typeof editionsOf>>[number],
  "number" | "words" | "isIssue" | "digest" | "createdAt" | "withdrawnAt"
>;

/** What a code leads to now. */
export type Behind = {
  root: string;
  /** The collections inside that readers are shown. */
  parts: ReadonlySet<string>;
  /** Those of them that stand in one of them, or in the root, from the top down. */
  below: (id: string) => string[];
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
  const found = await byShareCode(tx, code);
  if (!found) return null;
  const nodes = await sharedDown(tx, found);
  const root = nodes.find((one) => one.id === found.id);
  if (!root || root.code !== code || audienceNow(root, at) === "team") return null;
  const shown = shownInside(nodes, root, at);
  const editions = await editionsOf(tx, root.id);
  const above = root.parent ? aboveOf(await sharedUp(tx, root.id), at) : [];
  const said = (one: SharedNode) =>
    [one.id, one.parent, one.version, audienceNow(one, at), one.reach, one.code].join(" ");
  const parts = root.reach === "all" ? shown : [];
  const byParent = groupBy(parts, (one) => one.parent);
  const below = (id: string): string[] =>
    (byParent.get(id) ?? []).flatMap((one) => [one.id, ...below(one.id)]);
  return {
    root: root.id,
    parts: new Set(parts.map((one) => one.id)),
    below,
    shows: root.shows,
    editions,
    stamp: sha256(
      [...[root, ...shown].map(said), JSON.stringify(above), root.shows, ...editions.map(saidOf)].join("\n"),
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
