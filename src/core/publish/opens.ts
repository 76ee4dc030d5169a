import { groupBy } from "../list/group-by";
import type { Audience, Reach } from "./model";

/** What decides who outside the team sees a collection. */
export type Shared = {
  id: string;
  parent: string | null;
  audience: Audience;
  reach: Reach;
  sharedUntil: Date | null;
  leftOut: boolean;
  awayAt: Date | null;
  hiddenAt: Date | null;
  /** The code in its own address, if it has one. */
  code: string | null;
};

/** For whom a collection is now: past its last day, and while stewards hide it, it is the team's own. */
export const audienceNow = (
  { audience, sharedUntil, hiddenAt }: Pick<Shared, "audience" | "sharedUntil" | "hiddenAt">,
  now: Date,
): Audience => (hiddenAt || (sharedUntil && sharedUntil <= now) ? "team" : audience);

const isOpen = (one: Shared, code: string | null, now: Date): boolean => {
  const audience = audienceNow(one, now);
  return audience === "public" || (audience === "link" && one.code !== null && one.code === code);
};

/** Whether readers of what it stands in are shown it there. */
const isShownThere = (one: Shared) => !one.leftOut && one.awayAt === null && one.hiddenAt === null;

/**
 * By which collection somebody who is not of the team sees the first of these: itself, or one it stands in that is shared
 * with everything inside; null when by none.
 * @param up the collection, the one it stands in, the one that stands in, and so on
 * @param code the one they hold, if they hold any
 */
export function openedBy<S extends Shared>(up: readonly S[], code: string | null, now: Date): S | null {
  const opening: S[] = [];
  for (const [i, one] of up.entries()) {
    if (isOpen(one, code, now) && (i === 0 || one.reach === "all")) opening.push(one);
    if (!isShownThere(one)) break;
  }
  // Whoever came by the address of a course is in the course, also where a part is public by itself.
  return opening.find((one) => one.code === code) ?? opening[0] ?? null;
}

/**
 * What stands in a shared collection, as its readers are shown it: everything but what is left out or put away, where it is
 * shared with everything inside; otherwise what is shared by itself with as many or more.
 * @param nodes a tree with the root in it, neighbours in their order
 */
export function shownInside<S extends Shared>(nodes: readonly S[], root: S, now: Date): S[] {
  const byParent = groupBy(nodes, (one) => one.parent);
  const under = (id: string) => (byParent.get(id) ?? []).filter(isShownThere);
  if (root.reach === "level") {
    const isPublic = audienceNow(root, now) === "public";
    return under(root.id).filter((one) => {
      const audience = audienceNow(one, now);
      return audience === "public" || (audience === "link" && !isPublic && one.code !== null);
    });
  }
  const walk = (one: S): S[] => [one, ...under(one.id).flatMap(walk)];
  return under(root.id).flatMap(walk);
}

/**
 * How readers get to a collection now: by its own code, or as a part of what it stands in; null when they do not.
 * @param up the collection, the one it stands in, and so on
 */
export function doorOf<S extends Shared>(up: readonly S[], now: Date): { by: S; part: string | null } | null {
  for (const [i, one] of up.entries()) {
    const isOut = audienceNow(one, now) !== "team" && one.code !== null;
    if (isOut && (i === 0 || one.reach === "all")) return { by: one, part: i === 0 ? null : up[0]!.id };
    if (!isShownThere(one)) return null;
  }
  return null;
}
