import { ofTeamOrGuest } from "@/app/of-team";
import { personHere, read } from "@/app/read";
import { Lesson } from "@/ui/lesson/lesson";

export const metadata = { title: "Plan" };
export default async function Page({ params }: { params: Promise<{ collection: string }> }) {
  const { collection: id } = await params;
  const path = `/bench/${id}/plan`;
  await personHere(path);
  const { collection } = await read("collections.read", { collection: id });
  const first = await read("lessons.read", { collection: id });
  const frame = await ofTeamOrGuest(collection.team, path);
  return <Lesson key={id} {...frame} collection={collection} first={first} />;
}
