import { ofTeamOrGuest } from "@/app/of-team";
import { personHere, read } from "@/app/read";
import { ThenPage } from "@/ui/history/then-page";

export const metadata = { title: "As it was" };
type Props = { params: Promise<{ collection: string; event: string }> };
export default async function Page({ params }: Props) {
  const { collection: id, event } = await params;
  const path = `/bench/${id}/history/${event}`;
  await personHere(path);
  const { collection } = await read("collections.read", { collection: id });
  const [frame, then] = await Promise.all([
    ofTeamOrGuest(collection.team, path),
    read("collections.then", { collection: id, event }),
  ]);
  return <ThenPage key={event} {...frame} {...{ collection, event, first: then }} />;
}
