import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Imports } from "@/ui/imports/imports";

export const metadata = { title: "Imports" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  return (
    <Imports {...await ofTeam(team, `/team/${team}/imports`)} first={await read("imports.list", { team })} />
  );
}
