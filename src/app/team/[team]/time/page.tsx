import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { TimeOfCourse } from "@/ui/weigh/time/time-of-course";

export const metadata = { title: "Time" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/time`);
  return <TimeOfCourse {...frame} first={await read("load.course", { team })} />;
}
