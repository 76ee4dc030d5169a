import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Outcomes } from "@/ui/weigh/outcomes/outcomes";

export const metadata = { title: "Outcomes" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/outcomes`);
  const [first, { collections }] = await Promise.all([
    read("outcomes.read", { team }),
    read("collections.tree", { team }),
  ]);
  return <Outcomes {...frame} first={first} collections={collections} />;
}
