import { expect, test } from "vitest";
import { getPersonFeed } from "@/http/feed-route";
import { getPagePicture, getPersonPage, getTeamPage } from "@/http/team-page-route";
import { newId } from "@/outside/random";
import { addressOfHobbin } from "@/services/accounts/address";
import { picture } from "./pictures";
import { fed, later, word } from "./public";
import { as, makeWorld, type World } from "./world";

const HOME = addressOfHobbin();
const of = <P extends object>(params: P) => ({ params: Promise.resolve(params) });
const pageOf = async (person: string) => {
  const answer = await getPersonPage(new Request(HOME), of({ person }));
  return { status: answer.status, text: await answer.text() };
};
const idOf = (who: World["owner"]) => who.person!.id;
const share = ({ owner }: World, collection: string, audience: "public" | "team" = "public") =>
  as(owner, "share.set", { collection, audience, reach: "all" });
/** A public collection with something the editor placed in it, or in what stands inside. */
async function ofEditor(world: World, { inside = false } = {}) {
  const title = word();
  const { owner, editor, team } = world;
  const { id } = (await as(owner, "collections.make", { team, title })).collection;
  const home = inside
    ? (await as(owner, "collections.make", { team, title: "Part", parent: id })).collection.id
    : id;
  await as(editor, "capture.note", { team, text: "A thought", collection: home, placement: newId() });
  await share(world, id);
  await fed();
  return { id, title };
}

test("a person's page lists what they have a hand in and is public, when they wish one, and nothing else", async () => {
  const world = await makeWorld();
  const { owner, editor, viewer, team } = world;
  const [one, course, closed, other] = [
    await ofEditor(world),
    await ofEditor(world, { inside: true }),
    await ofEditor(world),
    word(),
  ];
  await share(world, closed.id, "team");
  await as(owner, "collections.edit", { collection: world.collection, title: other });
  await share(world, world.collection);
  await fed();
  const me = idOf(editor);
  expect((await pageOf(me)).status).toBe(404);
  expect((await pageOf("nobody")).status).toBe(404);
  await as(editor, "people.set-page", { open: true, words: "Outdoors, mostly." });
  const { status, text } = await pageOf(me);
  expect(status).toBe(200);
  for (const words of [editor.person!.name, "Outdoors, mostly.", one.title, course.title])
    expect(text).toContain(words);
  for (const words of [closed.title, other, editor.person!.email]) expect(text).not.toContain(words);
  expect((await pageOf(idOf(viewer))).status).toBe(404);
  // The page of the team leads to it, and to nobody else's.
  await as(owner, "teams.set-page", { team, open: true });
  const ofTeam = await (await getTeamPage(new Request(HOME), of({ team }))).text();
  expect(ofTeam).toContain(`/public/person/${me}`);
  expect(ofTeam).not.toContain(`/public/person/${idOf(owner)}`);

  expect(await as(editor, "people.page", {})).toMatchObject({ open: true, picture: false });
  await as(editor, "people.set-page", { leaveOut: [one.id] });
  expect((await pageOf(me)).text).not.toContain(one.title);
  await as(editor, "people.set-page", { show: [one.id] });
  expect((await pageOf(me)).text).toContain(one.title);

  // Feeds of it all, by the same rule.
  const feed = async (file: string) =>
    (await getPersonFeed(new Request(HOME), of({ person: me, feed: file }))).text();
  expect(await feed("feed.atom")).toContain("A thought");
  const opml = await feed("feeds.opml");
  expect(opml.match(/xmlUrl/g)).toHaveLength(3);
  expect(opml).not.toContain(other);

  // Who leaves the team takes no more of it along; who closes the page has none.
  await as(owner, "members.remove", { team, person: me });
  expect((await pageOf(me)).text).not.toContain(one.title);
  await as(editor, "people.set-page", { open: false });
  expect((await pageOf(me)).status).toBe(404);
});

test("a picture stands on a page where that is wished, and no other is given out by it", async () => {
  const world = await makeWorld();
  const { owner, editor, team } = world;
  const [mine, theirs] = [await picture("#335566"), await picture("#664422")];
  const { image } = await as(editor, "people.edit", { picture: mine });
  const me = idOf(editor);
  await as(editor, "people.set-page", { open: true });
  const status = async (params: { person: string } | { team: string }, hash: string) =>
    (await getPagePicture(new Request(HOME), of({ ...params, hash }))).status;
  expect(await status({ person: me }, image!)).toBe(404);
  await as(editor, "people.set-page", { picture: true });
  expect(await status({ person: me }, image!)).toBe(200);
  const set = await as(owner, "teams.set-page", { team, open: true, picture: theirs });
  expect(await status({ team }, set.picture!)).toBe(200);
  await as(owner, "teams.set-page", { team, noPicture: true });
  expect(await status({ team }, set.picture!)).toBe(404);
  await as(editor, "people.edit", { noPicture: true });
  expect(await status({ person: me }, image!)).toBe(404);
});

test("who follows a person is told what they have a hand in once it is public", async () => {
  const [world, mine] = [await makeWorld(), await makeWorld()];
  const { editor } = world;
  const me = idOf(editor);
  const follow = { team: mine.team, kind: "person" as const, what: me };
  await expect(as(mine.viewer, "follows.add", follow)).rejects.toMatchObject({ kind: "not-found" });
  await as(editor, "people.set-page", { open: true });
  await as(mine.viewer, "follows.add", follow);
  const news = async () => {
    const { news, follows } = await as(mine.viewer, "follows.read", { team: mine.team });
    return { titles: news.flatMap((one) => one.collections.map((each) => each.title)), follows };
  };
  expect((await news()).titles).toEqual([]);
  const [came, left] = [await ofEditor(world, { inside: true }), await ofEditor(world)];
  await as(editor, "people.set-page", { leaveOut: [left.id] });
  expect((await news()).titles).toEqual([came.title]);
  await as(editor, "people.set-page", { open: false });
  expect(await news()).toMatchObject({ titles: [], follows: [{ kind: "person", page: null }] });
});

test("a name that is another's in look-alike letters is refused where it would stand beside it", async () => {
  const [world, other] = [await makeWorld(), await makeWorld()];
  const name = `Heron ${word()}`;
  const alike = name.replace("o", "\u043e");
  await as(world.owner, "teams.rename", { team: world.team, name });
  const refused = (field: string) => ({ code: "look-alike", errors: [expect.objectContaining({ field })] });
  const rename = (to: string) => as(other.owner, "teams.rename", { team: other.team, name: to });
  // What is public nowhere is nobody's business, and nothing is refused because of it.
  await rename(alike);
  await share(world, world.collection);
  await later(1, async () => {
    await expect(rename(alike)).rejects.toMatchObject(refused("name"));
    await expect(as(other.owner, "teams.make", { name: alike })).rejects.toMatchObject(refused("name"));
    await expect(share(other, other.collection)).rejects.toMatchObject(refused("audience"));
    const page = { team: other.team, open: true };
    await expect(as(other.owner, "teams.set-page", page)).rejects.toMatchObject(refused("open"));
    // The very same name is.
    await rename(name.toUpperCase());
    await share(other, other.collection);
  });
  const { editor, viewer } = world;
  await as(editor, "people.edit", { name });
  await expect(as(viewer, "people.edit", { name: alike })).rejects.toMatchObject(refused("name"));
  await as(other.viewer, "people.edit", { name: alike });
  await as(editor, "people.set-page", { open: true });
  await later(2, async () => {
    const open = { ...other.viewer, person: { ...other.viewer.person!, name: alike } };
    await expect(as(open, "people.set-page", { open: true })).rejects.toMatchObject(refused("open"));
  });
});
