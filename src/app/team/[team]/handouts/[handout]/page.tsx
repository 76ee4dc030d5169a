import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Overview } from "@/ui/handouts/overview";

export const metadata = { title: "Handout" };
export default async function Page({ params }: { params: Promise<{ team: string; handout: string }> }) {
  const { team, handout } = await params;
  const frame = await ofTeam(team, `/team/${team}/handouts/${handout}`);
  return <Overview key={handout} {...frame} first={await read("handouts.overview", { handout })} />;
}
