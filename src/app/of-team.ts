import { notFound } from "next/navigation";
import { personHere, read } from "./read";

/** What every screen of a team needs: who is here, their teams, and this one among them. */
export async function ofTeam(id: string, back: string) {
  const me = await personHere(back);
  const { teams } = await read("teams.read", {});
  const team = teams.find((one) => one.id === id) ?? notFound();
  return { me, teams, team };
}
