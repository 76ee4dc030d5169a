import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { Mail } from "@/ui/messages/messages";

export const metadata = { title: "Mail" };
export default async function Page({ params }: { params: Promise<{ team: string }> }) {
  const { team } = await params;
  const frame = await ofTeam(team, `/team/${team}/mail`);
  const mail = await read("messages.read", { team });
  return <Mail {...frame} mail={mail} {...await read("collections.tree", { team })} />;
}
