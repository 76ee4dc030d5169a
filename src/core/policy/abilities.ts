/** What a member of a team may be. */
export const ROLES = ["viewer", "contributor", "editor", "owner"] as const;
export type Role = (typeof ROLES)[number];

/** What a guest of one collection may be: who publishes and who manages is in the team. */
export const GUEST_ROLES = ["viewer", "contributor", "editor"] as const satisfies readonly Role[];
export type GuestRole = (typeof GUEST_ROLES)[number];

/**
 * What can be allowed in a team:
 * - see: look at everything of the team
 * - bring: capture, place into collections, tag and describe
 * - arrange: make and change collections, order, delete and restore
 * - publish: decide who outside the team may see a collection
 * - manage: name the team, invite, set roles, mend failed work
 */
export type Ability = "see" | "bring" | "arrange" | "publish" | "manage";

const LEAST: Record<Ability, Role> = {
  see: "viewer",
  bring: "contributor",
  arrange: "editor",
  publish: "editor",
  manage: "owner",
};

/** The one of two roles that may do more; null is nobody's. */
export const stronger = (a: Role | null, b: Role | null): Role | null =>
  a && b ? ROLES[Math.max(ROLES.indexOf(a), ROLES.indexOf(b))]! : (a ?? b);

/**
 * Whether somebody of this role may do that; null is somebody who is no member.
 * @param role the person's role in the team; null for those who are not in it
 */
export function may(role: Role | null, ability: Ability): boolean {
  return role !== null && ROLES.indexOf(role) >= ROLES.indexOf(LEAST[ability]);
}
