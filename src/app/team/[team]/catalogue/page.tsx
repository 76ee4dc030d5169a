import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Catalogue } from "@/ui/catalogue/catalogue";

export const metadata = { title: "Catalogue" };
type Props = { params: Promise<{ team: string }>; searchParams: Promise<{ q?: string }> };
export default async function Page({ params, searchParams }: Props) {
  const { team } = await params;
  const query = String((await searchParams).q ?? "").slice(0, 500);
  const frame = await ofTeam(team, `/team/${team}/catalogue`);
  return <Catalogue {...frame} first={{ query, page: await read("search.find", { team, query }) }} />;
}
