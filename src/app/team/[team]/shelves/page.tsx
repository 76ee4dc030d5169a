import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Shelves } from "@/ui/shelves/shelves";

export const metadata = { title: "Shelves" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/shelves`);
  return <Shelves key={team} {...frame} first={await read("shelves.newest", {})} />;
}
