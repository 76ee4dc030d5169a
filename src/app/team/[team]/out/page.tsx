import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { addressOfHobbin } from "@/services/accounts/address";
import { Out } from "@/ui/publish/out";

export const metadata = { title: "What is out" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/out`);
  const [first, page] = await Promise.all([read("share.out", { team }), read("teams.page", { team })]);
  return <Out key={team} {...frame} {...{ first, page }} home={addressOfHobbin()} />;
}
