import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { MixOfSources } from "@/ui/weigh/mix/mix-of-sources";

export const metadata = { title: "Mix of sources" };
type Props = { params: Promise<{ team: string }>; searchParams: Promise<{ of?: string }> };
export default async function Page({ params, searchParams }: Props) {
  const { team } = await params;
  const { of } = await searchParams;
  const frame = await ofTeam(team, `/team/${team}/mix`);
  const { collections } = await read("collections.tree", { team });
  // An address of yesterday names what may be gone.
  const collection = collections.some(({ id }) => id === of) ? of! : "";
  const first = await read("mix.read", { team, ...(collection && { collection }) });
  return <MixOfSources {...frame} {...{ collections, collection, first }} />;
}
