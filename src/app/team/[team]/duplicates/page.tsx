import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { may } from "@/core/policy/abilities";
import { Duplicates } from "@/ui/duplicates/duplicates";

export const metadata = { title: "Likely duplicates" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/duplicates`);
  const { pairs } = await read("duplicates.read", { team });
  return <Duplicates {...frame} pairs={pairs} arranges={may(frame.team.role, "arrange")} />;
}
