import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { TrayPage } from "@/ui/tray/tray-page";

export const metadata = { title: "Tray" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  return (
    <TrayPage
      {...await ofTeam(team, `/team/${team}/tray`)}
      first={await read("tray.read", { team, state: "waiting" })}
    />
  );
}
