import { expect, test, vi } from "vitest";
import { getShelves, getTeamPage } from "@/http/team-page-route";
import { newId } from "@/outside/random";
import { forgetSettings } from "@/outside/settings";
import { fed, word } from "./public";
import { as, makeWorld } from "./world";

const pageOf = async (team: string) => {
  const answer = await getTeamPage(new Request("http://x.example/"), { params: Promise.resolve({ team }) });
  return { status: answer.status, text: await answer.text() };
};

test("a team that wishes it has a page of what it made public and of nothing else; what is closed is not on it", async () => {
  const { owner, team, collection } = await makeWorld();
  const [open, own, words] = [word(), word(), word()];
  await as(owner, "collections.edit", { collection, title: `Birds ${open}` });
  await as(owner, "collections.make", { team, title: own });
  await as(owner, "share.set", { collection, audience: "public" });
  await fed();
  expect((await pageOf(team)).status).toBe(404);
  await as(owner, "teams.set-page", { team, open: true, words: `We <b>look</b> ${words}` });
  const { status, text } = await pageOf(team);
  expect(status).toBe(200);
  for (const said of [`Birds ${open}`, "Test team", `We &lt;b&gt;look&lt;/b&gt; ${words}`, "/feeds.opml"])
    expect(text).toContain(said);
  for (const hidden of [own, owner.person!.email, owner.person!.name]) expect(text).not.toContain(hidden);
  await as(owner, "share.set", { collection, audience: "link" });
  expect((await pageOf(team)).text).not.toContain(open);
  await as(owner, "teams.set-page", { team, open: false });
  expect((await pageOf(team)).status).toBe(404);
  expect([(await pageOf(newId())).status, (await pageOf("x")).status]).toEqual([404, 404]);
});

test("without an account the shelves are looked through where the installation says so, and not else", async () => {
  const { owner, collection, placement } = await makeWorld();
  const [open, context] = [word(), word()];
  await as(owner, "collections.edit", { collection, title: `Birds ${open}` });
  await as(owner, "placements.edit", { placement, context: `Why <i>${context}</i>` });
  await as(owner, "share.set", { collection, audience: "public" });
  await fed();
  const look = async (query: string) => {
    const answer = await getShelves(new Request(`http://x.example/public?q=${query}`));
    return { status: answer.status, text: await answer.text() };
  };
  expect((await look("")).text).toContain(`Birds ${open}`);
  const found = await look(context);
  expect(found.text).toContain(`Birds ${open}`);
  expect(found.text).toContain(`Why &lt;i&gt;<mark>${context}</mark>&lt;/i&gt;`);
  vi.stubEnv("HOBBIN_SHELVES", "signed-in");
  forgetSettings();
  expect((await look("")).status).toBe(404);
  vi.unstubAllEnvs();
  forgetSettings();
});
