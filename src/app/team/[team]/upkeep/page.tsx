import { notFound } from "next/navigation";
import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { may } from "@/core/policy/abilities";
import { Upkeep } from "@/ui/upkeep/upkeep";

export const metadata = { title: "Upkeep" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/upkeep`);
  if (!may(frame.team.role, "manage")) notFound();
  const [upkeep, log, people] = await Promise.all([
    read("teams.upkeep", { team }),
    read("log.read", { team }),
    read("members.read", { team }),
  ]);
  return <Upkeep {...frame} {...upkeep} log={log} members={people.members} />;
}
