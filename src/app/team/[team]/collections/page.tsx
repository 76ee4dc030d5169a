import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { TreePage } from "@/ui/tree/tree-page";

export const metadata = { title: "Collections" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/collections`);
  return <TreePage {...frame} first={await read("collections.tree", { team })} />;
}
