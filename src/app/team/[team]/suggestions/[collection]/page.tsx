import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { addressOfHobbin } from "@/services/accounts/address";
import { Suggestions } from "@/ui/suggestions/suggestions";

export const metadata = { title: "Suggestions" };
export default async function Page({ params }: { params: Promise<{ team: string; collection: string }> }) {
  const { team, collection } = await params;
  const frame = await ofTeam(team, `/team/${team}/suggestions/${collection}`);
  const first = await read("suggestions.read", { collection });
  return <Suggestions key={collection} {...frame} first={first} home={addressOfHobbin()} />;
}
