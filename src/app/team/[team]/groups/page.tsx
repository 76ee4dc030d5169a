import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Groups } from "@/ui/groups/groups";

export const metadata = { title: "Groups" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/groups`);
  return <Groups key={team} {...frame} first={await read("groups.read", { team })} />;
}
