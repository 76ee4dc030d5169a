import { personHere, read } from "@/app/read";
import { Stewards } from "@/ui/stewards/stewards";

export const metadata = { title: "Stewards" };
export default async function Page() {
  const me = await personHere("/stewards");
  const [first, teams, { teams: mine }] = await Promise.all([
    read("stewards.read", {}),
    read("stewards.teams", {}),
    read("teams.read", {}),
  ]);
  return <Stewards me={me} mine={mine} first={first} firstTeams={teams} />;
}
