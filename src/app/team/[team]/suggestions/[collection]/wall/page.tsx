import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { addressOfHobbin } from "@/services/accounts/address";
import { Wall } from "@/ui/suggestions/wall";

export const metadata = { title: "Suggestions on the wall" };
export default async function Page({ params }: { params: Promise<{ team: string; collection: string }> }) {
  const { team, collection } = await params;
  await ofTeam(team, `/team/${team}/suggestions/${collection}/wall`);
  const first = await read("suggestions.read", { collection });
  return <Wall team={team} first={first} home={addressOfHobbin()} />;
}
