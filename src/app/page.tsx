import { redirect } from "next/navigation";
import { personHere, read } from "./read";

/** To the Desk of the first team that is more than one's own, else of one's own. */
export default async function Page() {
  await personHere("/");
  const { teams } = await read("teams.read", {});
  redirect(`/team/${(teams.find((team) => !team.own) ?? teams[0])?.id ?? ""}`);
}
