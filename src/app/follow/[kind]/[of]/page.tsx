import { notFound } from "next/navigation";
import { personHere, read } from "@/app/read";
import { FollowHere } from "@/ui/followed/follow-here";

export const metadata = { title: "Follow" };
/** From the public page of a team or a person, for whoever has an account. */
export default async function Page({ params }: { params: Promise<{ kind: string; of: string }> }) {
  const { kind, of } = await params;
  if (kind !== "team" && kind !== "person") notFound();
  await personHere(`/follow/${kind}/${of}`);
  const [{ name }, { teams }] = await Promise.all([
    kind === "team" ? read("shelves.of-team", { of }) : read("shelves.of-person", { of }),
    read("teams.read", {}),
  ]);
  return <FollowHere kind={kind} of={of} name={name} teams={teams} />;
}
