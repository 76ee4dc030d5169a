import { ofTeamOrGuest } from "@/app/of-team";
import { personHere, read } from "@/app/read";
import { HistoryPage } from "@/ui/history/history-page";

export const metadata = { title: "What happened" };
type Props = {
  params: Promise<{ collection: string }>;
  searchParams: Promise<{ since?: string | string[] }>;
};
export default async function Page({ params, searchParams }: Props) {
  const { collection: id } = await params;
  const { since } = await searchParams;
  const path = `/bench/${id}/history`;
  await personHere(path);
  const { collection } = await read("collections.read", { collection: id });
  const frame = await ofTeamOrGuest(collection.team, path);
  const first = await read("collections.happened", { collection: id });
  // As it was when the Bench was opened, where one comes from there.
  const told = typeof since === "string" && !Number.isNaN(Date.parse(since)) ? since : first.since;
  return <HistoryPage key={id} {...frame} {...{ collection, first, since: told }} />;
}
