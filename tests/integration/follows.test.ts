import { expect, test } from "vitest";
import { newId } from "@/outside/random";
import { fed, word } from "./public";
import { as, makeWorld, type World } from "./world";

const note = ({ owner, team, collection }: World, text: string) =>
  as(owner, "capture.note", { team, text, collection, placement: newId() });
const share = ({ owner }: World, collection: string, audience: "public" | "team" = "public") =>
  as(owner, "share.set", { collection, audience });
const follow = ({ viewer, team }: World, kind: string, what: string) =>
  as(viewer, "follows.add", { team, kind, what });
/** What came, by what is followed. */
async function came({ viewer, team }: World): Promise<Record<string, string[]>> {
  const { follows, news } = await as(viewer, "follows.read", { team });
  return Object.fromEntries(
    news.map((one) => [
      follows.find((each) => each.id === one.follow)!.kind,
      [...one.items.map((item) => item.title), ...one.collections.map((each) => each.title)],
    ]),
  );
}

test("what came in a collection, of a team, of a subject and of words since one looked stands under what is followed", async () => {
  const [mine, one] = [await makeWorld(), await makeWorld()];
  const [tag, rare] = [word(), word()];
  await expect(follow(mine, "collection", one.collection)).rejects.toMatchObject({ kind: "not-found" });
  await expect(follow(mine, "team", one.team)).rejects.toMatchObject({ kind: "not-found" });
  await share(one, one.collection);
  await fed();
  await follow(mine, "collection", one.collection);
  await follow(mine, "collection", one.collection);
  await follow(mine, "team", one.team);
  await follow(mine, "subject", tag.toUpperCase());
  await follow(mine, "search", rare);
  expect((await as(mine.viewer, "follows.read", { team: mine.team })).follows).toHaveLength(4);
  expect(await came(mine)).toEqual({});

  await note(one, "What came later");
  const { collection } = await as(one.owner, "collections.make", { team: one.team, title: `New ${rare}` });
  const { resource } = await as(one.owner, "capture.note", {
    ...{ team: one.team, text: "In it", collection: collection.id },
  });
  await as(one.owner, "tags.add", { resource: resource.id, tags: [tag] });
  await fed();
  expect(await came(mine)).toEqual({ collection: ["What came later"] });
  await share(one, collection.id);
  await fed();
  const all = { collection: ["What came later"], team: [`New ${rare}`] };
  expect(await came(mine)).toEqual({ ...all, subject: [`New ${rare}`], search: [`New ${rare}`] });

  // What is public no more is told of no more, at once; what one follows stays in the list and says so.
  await share(one, collection.id, "team");
  expect(await came(mine)).toEqual({ collection: ["What came later"] });
  await as(mine.viewer, "follows.seen", { team: mine.team });
  expect(await came(mine)).toEqual({});
  await share(one, one.collection, "team");
  const { follows } = await as(mine.viewer, "follows.read", { team: mine.team });
  expect(follows.find((each) => each.kind === "collection")!.code).toBeNull();
  await as(mine.viewer, "follows.remove", { team: mine.team, kind: "subject", what: tag });
  expect((await as(mine.viewer, "follows.read", { team: mine.team })).follows).toHaveLength(3);
  // Another of the team follows what they follow themselves.
  expect((await as(mine.editor, "follows.read", { team: mine.team })).follows).toEqual([]);
});

test("a thousand things can be followed, and no more", async () => {
  const mine = await makeWorld();
  const one = await makeWorld();
  await share(one, one.collection);
  await fed();
  await follow(mine, "collection", one.collection);
  for (let i = 0; i < 999; i++) await follow(mine, "subject", `${word()} ${i}`);
  await note(one, "What came later");
  await fed();
  expect(await came(mine)).toEqual({ collection: ["What came later"] });
  await expect(follow(mine, "subject", "one more")).rejects.toMatchObject({ code: "too-much-followed" });
});
