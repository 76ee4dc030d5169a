import type { Role } from "./abilities";

/** A team somebody is in, as far as it matters when they go. */
export type TeamOfLeaver = { role: Role; members: number; owners: number };

/**
 * What becomes of a team when somebody in it deletes their account: where they are alone it goes with them, where others
 * are it stays, and where nobody else owns it they must hand it over first. Never is there a team without an owner.
 */
export type Becomes = "goes" | "stays" | "needs an owner";

/** @param team with the one who leaves counted among its members and owners */
export function becomes({ role, members, owners }: TeamOfLeaver): Becomes {
  if (members <= 1) return "goes";
  return role === "owner" && owners <= 1 ? "needs an owner" : "stays";
}
