import { beforeAll, expect, test } from "vitest";
import { heldAmong } from "@/data/queries/held-files";
import { database } from "@/mechanism/changing";
import { picture } from "./pictures";
import { as, makeWorld, type World } from "./world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
const members = async () => (await as(world.viewer, "members.read", { team: world.team })).members;

test("name and picture are changed by oneself, seen by those who share a team and nobody else, and kept while they are named", async () => {
  const { editor, viewer } = world;
  const { image } = await as(editor, "people.edit", { name: "  Edith Other ", picture: await picture() });
  const me = (await members()).find((one) => one.id === editor.person!.id)!;
  expect([me.name, me.image]).toEqual(["Edith Other", image]);
  expect(await as(viewer, "pictures.read", { hash: image! })).toEqual({ hash: image });
  const stranger = (await makeWorld()).owner;
  await expect(as(stranger, "pictures.read", { hash: image! })).rejects.toMatchObject({ kind: "not-found" });
  expect(await heldAmong(database(), [image!])).toEqual(new Set([image]));

  await as(editor, "people.edit", { noPicture: true });
  expect((await members()).find((one) => one.id === editor.person!.id)).toMatchObject({
    name: "Edith Other",
    image: null,
  });
  await expect(as(viewer, "pictures.read", { hash: image! })).rejects.toMatchObject({ kind: "not-found" });
  await expect(as(editor, "people.edit", { name: "  " })).rejects.toMatchObject({
    errors: [{ field: "name" }],
  });
  await expect(as(editor, "people.edit", { picture: "AAAA" })).rejects.toMatchObject({
    errors: [{ field: "picture" }],
  });
});

test("a resource is given a picture, which no later look replaces, and undo takes it off", async () => {
  const { contributor, team } = world;
  const { resource } = await as(contributor, "capture.note", { team, text: "To be seen" });
  const given = await as(contributor, "resources.give-picture", {
    resource: resource.id,
    picture: await picture("#3c6a37"),
  });
  expect(given.resource.picture).toMatch(/^[0-9a-f]{64}$/);
  const { resource: full } = await as(contributor, "resources.read", { resource: resource.id });
  expect(full.typed).toContain("pictureHash");
  await as(contributor, "history.undo", { team });
  expect(
    (await as(contributor, "resources.read", { resource: resource.id })).resource.pictureHash,
  ).toBeNull();
});
