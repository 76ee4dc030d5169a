import { may } from "@/core/policy/abilities";
import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { People } from "@/ui/team/people";

export const metadata = { title: "People" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/people`);
  const dead = may(frame.team.role, "manage") ? (await read("jobs.dead", { team })).jobs : [];
  return <People key={team} {...frame} people={await read("members.read", { team })} dead={dead} />;
}
