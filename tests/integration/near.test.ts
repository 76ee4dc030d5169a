import { expect, test } from "vitest";
import { newId } from "@/outside/random";
import { fed, later, word } from "./public";
import { as, makeWorld, type World } from "./world";

const page = () => `https://${word()}.example/`;
const bring = async ({ owner, team, collection }: World, address: string, context = "") => {
  const placement = newId();
  const { resource } = await as(owner, "capture.address", { team, address, collection, placement });
  if (context) await as(owner, "placements.edit", { placement, context });
  return { placement, resource: resource.id };
};
const share = ({ owner, collection }: World, audience: "public" | "team" = "public") =>
  as(owner, "share.set", { collection, audience });
const near = async ({ viewer, collection }: World) => as(viewer, "shelves.near", { collection });

test("what resembles a collection is pointed out with why, and what it has besides can be taken", async () => {
  const [mine, one, other] = [await makeWorld(), await makeWorld(), await makeWorld()];
  const [a, b, c, tag] = [page(), page(), page(), word()];
  for (const address of [a, b]) {
    const { resource } = await bring(mine, address);
    await as(mine.owner, "tags.add", { resource, tags: [tag] });
    await bring(one, address);
  }
  const more = await bring(one, c, "Look here before you measure.");
  const { resource } = await bring(other, b);
  await as(other.owner, "tags.add", { resource, tags: [tag.toUpperCase()] });
  await fed();
  expect((await near(mine)).items.filter((item) => item.address === c)).toEqual([]);
  await share(one);
  await share(other);
  await fed();
  const found = await near(mine);
  const why = new Map(found.collections.map((each) => [each.id, each.why]));
  expect(why.get(one.collection)).toMatchObject({ pages: 2, tags: [] });
  expect(why.get(other.collection)).toMatchObject({ pages: 1, tags: [tag] });
  const lacking = found.items.find((item) => item.address === c)!;
  expect(lacking).toMatchObject({
    ...{ id: more.placement, from: one.collection, context: "Look here before you measure.", in: 1 },
  });
  await as(mine.editor, "shelves.take", {
    ...{ collection: mine.collection, from: lacking.from, items: [lacking.id], ids: [newId()] },
  });
  expect((await near(mine)).items.filter((item) => item.address === c)).toEqual([]);

  // What is taken out of it, or made not for readers, is no reason from that moment on; what is closed is not near.
  await as(one.owner, "placements.edit", { placement: more.placement, forReaders: false });
  expect((await near(mine)).collections.map((each) => each.id)).not.toContain(one.collection);
  await fed();
  expect((await near(mine)).collections.map((each) => each.id)).toContain(one.collection);
  await share(other, "team");
  expect((await near(mine)).collections.map((each) => each.id)).not.toContain(other.collection);
});

test("who else keeps a page is told with their words, and what stands beside it in several teams, not in two", async () => {
  const mine = await makeWorld();
  const [known, often, twice] = [page(), page(), page()];
  const { resource } = await bring(mine, known);
  const others = [await makeWorld(), await makeWorld(), await makeWorld(), await makeWorld()];
  for (const [i, world] of others.entries()) {
    await bring(world, known, `For the reason ${i}.`);
    if (i < 3) await bring(world, often);
    if (i < 2) await bring(world, twice);
    await share(world);
  }
  await fed();
  const kept = async () => as(mine.viewer, "shelves.keeping", { resource });
  const told = await kept();
  expect(told.count).toBe(4);
  expect(told.places.map((place) => place.context).sort()).toEqual(
    others.map((_, i) => `For the reason ${i}.`),
  );
  expect(told.beside.map((each) => [each.address, each.teams])).toEqual([[often, 3]]);
  await share(others[0]!, "team");
  expect(await kept()).toMatchObject({ count: 3, beside: [] });
});

test("shelves are by subject, use, language, length and by what other teams took up", async () => {
  const [one, other, third] = [await makeWorld(), await makeWorld(), await makeWorld()];
  const tag = word();
  for (const world of [one, other]) {
    await as(world.owner, "tags.add", { resource: world.resource, tags: [tag] });
    await share(world);
  }
  await as(one.owner, "collections.edit", { collection: one.collection, language: "et" });
  await as(one.owner, "collections.use", { collection: one.collection, use: "lesson" });
  await fed();
  const newest = async (wish: object) =>
    (await as(third.viewer, "shelves.newest", wish)).collections.map((each) => each.id);
  expect((await newest({ tag })).sort()).toEqual([one.collection, other.collection].sort());
  expect(await newest({ tag, use: "lesson", language: "et" })).toEqual([one.collection]);
  expect(await newest({ tag, language: "fi" })).toEqual([]);
  const found = await as(third.viewer, "shelves.find", { query: `tag:${tag} collection`, language: "et" });
  expect(found.results.map((each) => each.id)).toEqual([one.collection]);
  const kinds = () => as(third.viewer, "shelves.subjects", {});
  // Which subjects there may be is looked up once a minute; whether they are told, each time.
  const { subjects, uses, languages } = await later(1, kinds);
  expect([subjects.includes(tag), uses.includes("lesson"), languages.includes("et")]).toEqual([
    true,
    true,
    true,
  ]);
  await as(third.editor, "shelves.borrow", { collection: one.collection, team: third.team, copy: newId() });
  const { collections } = await later(2, () => as(third.viewer, "shelves.often", { tag }));
  expect(collections.map((each) => [each.id, each.takenUpBy])).toEqual([[one.collection, 1]]);
  // A team that shows it, and one that follows it twice over, count as one each; its own team does not.
  await as(other.editor, "shelves.show", {
    ...{ collection: other.collection, shown: one.collection, placement: newId() },
  });
  const fourth = await makeWorld();
  for (const who of [fourth.editor, fourth.viewer, one.viewer])
    await as(who, "follows.add", {
      team: who === one.viewer ? one.team : fourth.team,
      ...{ kind: "collection", what: one.collection },
    });
  const again = (await later(4, () => as(third.viewer, "shelves.often", { tag }))).collections;
  expect(again.map((each) => [each.id, each.takenUpBy])).toEqual([[one.collection, 3]]);
  await share(other, "team");
  expect((await kinds()).subjects).not.toContain(tag);
});
