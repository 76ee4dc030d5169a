import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { LookedInto } from "@/ui/handouts/looked-into";

export const metadata = { title: "Handout" };
type Params = { team: string; handout: string; learner: string };
export default async function Page({ params }: { params: Promise<Params> }) {
  const { team, handout, learner } = await params;
  const frame = await ofTeam(team, `/team/${team}/handouts/${handout}/${learner}`);
  const { handout: given } = await read("handouts.overview", { handout });
  const first = await read("handouts.look-into", { handout, learner });
  return <LookedInto key={learner} {...frame} handout={given} first={first} />;
}
