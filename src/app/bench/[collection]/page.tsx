import { ofTeam } from "@/app/of-team";
import { personHere, read } from "@/app/read";
import { Bench } from "@/ui/bench/bench";

export const metadata = { title: "Bench" };
export default async function Page({ params }: { params: Promise<{ collection: string }> }) {
  const { collection } = await params;
  await personHere(`/bench/${collection}`);
  const first = await read("collections.read", { collection });
  return (
    <Bench key={collection} {...await ofTeam(first.collection.team, `/bench/${collection}`)} first={first} />
  );
}
