import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Desk } from "@/ui/desk/desk";

export const metadata = { title: "Desk" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}`);
  const [covers, tray, recent, letInto, notices, waiting] = await Promise.all([
    read("collections.covers", { team }),
    read("tray.read", { team }),
    read("events.recent", { team }),
    read("guests.let-into", {}),
    read("notices.read", {}),
    read("teams.waiting", { team }),
  ]);
  return (
    <Desk
      key={team}
      {...frame}
      {...{ covers, tray, recent, notices, waiting }}
      letInto={letInto.collections}
    />
  );
}
