import { notFound } from "next/navigation";
import { type Role, stronger } from "@/core/policy/abilities";
import type { TeamRow } from "@/ui/shell/frame";
import { personHere, read } from "./read";

/** What every screen of a team needs: who is here, their teams, and this one among them. */
export async function ofTeam(id: string, back: string) {
  const me = await personHere(back);
  const { teams } = await read("teams.read", {});
  const team: TeamRow = teams.find((one) => one.id === id) ?? notFound();
  return { me, teams, team };
}

/**
 * The same for a screen that guests have too: what they see of a team stands for it.
 * @param role as what they are in what is open; left out: the strongest they are in anything of it
 */
export async function ofTeamOrGuest(id: string, back: string, role?: Role) {
  const me = await personHere(back);
  const [{ teams }, { collections }] = await Promise.all([
    read("teams.read", {}),
    read("guests.let-into", {}),
  ]);
  const mine = teams.find((one) => one.id === id);
  // Where one is a guest besides, the stronger of both holds.
  if (mine) return { me, teams, team: { ...mine, role: role ?? mine.role } as TeamRow };
  const here = collections.filter((one) => one.team === id);
  const [first] = here;
  if (!first) return notFound();
  const team: TeamRow = {
    ...{ id, name: first.teamName, own: false, citationStyle: first.citationStyle, guest: true },
    role: role ?? here.reduce<Role>((most, one) => stronger(most, one.role)!, "viewer"),
  };
  return { me, teams, team };
}
