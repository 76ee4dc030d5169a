import { ofTeamOrGuest } from "@/app/of-team";
import { personHere, read } from "@/app/read";
import { MarksPage } from "@/ui/marks/marks-page";

export const metadata = { title: "Marks" };
export default async function Page({ params }: { params: Promise<{ collection: string }> }) {
  const { collection: id } = await params;
  const path = `/bench/${id}/marks`;
  await personHere(path);
  const { collection } = await read("collections.read", { collection: id });
  const frame = await ofTeamOrGuest(collection.team, path);
  const first = await read("marks.of-collection", { collection: id });
  return <MarksPage key={id} {...frame} collection={collection} first={first} />;
}
