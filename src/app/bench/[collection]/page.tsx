import { ofTeamOrGuest } from "@/app/of-team";
import { personHere, read } from "@/app/read";
import { Bench } from "@/ui/bench/bench";

export const metadata = { title: "Bench" };
export default async function Page({ params }: { params: Promise<{ collection: string }> }) {
  const { collection } = await params;
  await personHere(`/bench/${collection}`);
  const first = await read("collections.read", { collection });
  // With the page, so that no row grows when they come.
  const [talk, news] = await Promise.all([
    read("comments.of-collection", { collection }),
    read("collections.news", { collection }),
  ]);
  const frame = await ofTeamOrGuest(first.collection.team, `/bench/${collection}`, first.collection.role);
  return <Bench key={collection} {...frame} {...{ first, talk, news }} />;
}
