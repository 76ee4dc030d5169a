import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { TimeHere } from "@/ui/weigh/time/time-here";

export const metadata = { title: "Time" };
export default async function Page({ params }: { params: Promise<{ team: string; collection: string }> }) {
  const { team, collection } = await params;
  const frame = await ofTeam(team, `/team/${team}/time/${collection}`);
  return <TimeHere {...frame} first={await read("load.read", { collection })} />;
}
