import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Shelves } from "@/ui/shelves/shelves";

export const metadata = { title: "Shelves" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/shelves`);
  const [first, kinds] = await Promise.all([read("shelves.newest", {}), read("shelves.subjects", {})]);
  return <Shelves key={team} {...frame} {...{ first, kinds }} />;
}
