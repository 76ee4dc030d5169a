import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { may } from "@/core/policy/abilities";
import { Rules } from "@/ui/rules/rules";

export const metadata = { title: "Rules" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/rules`);
  const { rules } = await read("rules.read", { team });
  const { collections } = await read("collections.tree", { team });
  return (
    <Rules {...frame} rules={rules} collections={collections} arranges={may(frame.team.role, "arrange")} />
  );
}
