import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Desk } from "@/ui/desk/desk";

export const metadata = { title: "Desk" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}`);
  const [covers, tray, recent] = await Promise.all([
    read("collections.covers", { team }),
    read("tray.read", { team }),
    read("events.recent", { team }),
  ]);
  return <Desk key={team} {...frame} covers={covers} tray={tray} recent={recent} />;
}
