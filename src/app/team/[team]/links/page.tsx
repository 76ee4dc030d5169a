import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Links } from "@/ui/weigh/links/links";

export const metadata = { title: "Links" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/links`);
  return <Links {...frame} first={await read("links.read", { team })} />;
}
