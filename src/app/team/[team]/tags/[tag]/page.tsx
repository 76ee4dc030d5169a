import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { TagPage } from "@/ui/tags/tag-page";

export const metadata = { title: "Tag" };
export default async function Page({ params }: { params: Promise<{ team: string; tag: string }> }) {
  const { team, tag } = await params;
  const frame = await ofTeam(team, `/team/${team}/tags/${tag}`);
  return <TagPage {...frame} first={await read("tags.look", { tag })} />;
}
