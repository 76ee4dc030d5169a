import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Tags } from "@/ui/tags/tags";

export const metadata = { title: "Tags" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/tags`);
  return <Tags {...frame} first={await read("tags.tend", { team })} />;
}
