import { ofTeamOrGuest } from "@/app/of-team";
import { personHere, read } from "@/app/read";
import { References } from "@/ui/references/references";

export const metadata = { title: "Bibliography" };
export default async function Page({ params }: { params: Promise<{ collection: string }> }) {
  const { collection: id } = await params;
  const path = `/bench/${id}/references`;
  await personHere(path);
  const { collection } = await read("collections.read", { collection: id });
  const frame = await ofTeamOrGuest(collection.team, path);
  return <References key={id} {...frame} collection={collection} />;
}
