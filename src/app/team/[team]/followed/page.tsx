import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { FollowedPage } from "@/ui/followed/followed";

export const metadata = { title: "Followed" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/followed`);
  return <FollowedPage key={team} {...frame} first={await read("follows.read", { team })} />;
}
