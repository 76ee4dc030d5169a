import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Bin } from "@/ui/bin/bin";

export const metadata = { title: "Bin" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  return <Bin {...await ofTeam(team, `/team/${team}/bin`)} {...await read("bin.read", { team })} />;
}
