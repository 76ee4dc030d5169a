import { personHere, read } from "@/app/read";
import { Join } from "@/ui/account/join";

export const metadata = { title: "Join a team" };
export default async function Page({ params }: { params: Promise<{ code: string }> }) {
  const { code } = await params;
  await personHere(`/join/${code}`);
  return <Join code={code} invitation={await read("invitations.read", { code })} />;
}
