import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { addressOfHobbin } from "@/services/accounts/address";
import { Suggestions } from "@/ui/suggestions/suggestions";

export const metadata = { title: "Suggestions" };
type Props = {
  params: Promise<{ team: string; collection: string }>;
  searchParams: Promise<{ wanted?: string | string[] }>;
};
export default async function Page({ params, searchParams }: Props) {
  const { team, collection } = await params;
  const { wanted } = await searchParams;
  const frame = await ofTeam(team, `/team/${team}/suggestions/${collection}`);
  const first = await read("suggestions.read", { collection });
  return (
    <Suggestions
      key={collection}
      {...frame}
      first={first}
      home={addressOfHobbin()}
      wanted={typeof wanted === "string" ? wanted.slice(0, 300) : ""}
    />
  );
}
