import { notFound } from "next/navigation";
import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Round } from "@/ui/weigh/round";

export const metadata = { title: "Round" };
export default async function Page({ params }: { params: Promise<{ team: string; round: string }> }) {
  const { team, round } = await params;
  const frame = await ofTeam(team, `/team/${team}/appraisal/${round}`);
  const first = await read("rounds.look", { round });
  if (first.round.team !== frame.team.id) return notFound();
  return <Round key={round} {...frame} first={first} />;
}
