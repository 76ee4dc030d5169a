import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { addressOfHobbin } from "@/services/accounts/address";
import { Group } from "@/ui/groups/group";

export const metadata = { title: "Group" };
export default async function Page({ params }: { params: Promise<{ team: string; group: string }> }) {
  const { team, group } = await params;
  const frame = await ofTeam(team, `/team/${team}/groups/${group}`);
  return (
    <Group key={group} {...frame} first={await read("groups.look", { group })} home={addressOfHobbin()} />
  );
}
