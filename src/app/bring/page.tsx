import { personHere, read } from "@/app/read";
import { may } from "@/core/policy/abilities";
import { BringPage } from "@/ui/bring/bring-page";

export const metadata = { title: "Bring in" };
type Query = { url?: string; title?: string; text?: string };
export default async function Page({ searchParams }: { searchParams: Promise<Query> }) {
  const { url = "", title = "", text = "" } = await searchParams;
  await personHere(`/bring?${new URLSearchParams({ url, title, text }).toString()}`);
  const { teams } = await read("teams.read", {});
  const open = await Promise.all(
    teams
      .filter((team) => may(team.role, "bring"))
      .map(async ({ id, name }) => ({
        id,
        name,
        tree: (await read("collections.tree", { team: id })).collections,
      })),
  );
  return (
    <BringPage
      teams={open}
      url={url.slice(0, 4000)}
      title={title.slice(0, 500)}
      text={text.slice(0, 16_000)}
    />
  );
}
