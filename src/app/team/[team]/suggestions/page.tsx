import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { SuggestionPages } from "@/ui/suggestions/pages";

export const metadata = { title: "Suggestions" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/suggestions`);
  return <SuggestionPages key={team} {...frame} first={await read("suggestions.of-team", { team })} />;
}
