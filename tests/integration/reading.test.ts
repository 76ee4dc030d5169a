import { expect, test } from "vitest";
import { as, makeWorld } from "./world";

test("what stands before and after a text is told from the place one came from, over sections, without what is gone", async () => {
  const { editor, viewer, team } = await makeWorld();
  const make = (title: string) => as(editor, "collections.make", { team, title });
  const { collection } = await make("In order");
  const { collection: other } = await make("Another");
  const added = [];
  for (const n of [1, 2, 3])
    added.push(
      await as(editor, "capture.work", {
        ...{ team, type: "book", title: `Book ${n}`, address: `https://way.example/${n}` },
        collection: collection.id,
      }),
    );
  const [first, second, third] = added.map((one) => one.resource.id) as [string, string, string];
  const places = async (resource: string) => (await as(editor, "resources.read", { resource })).places;
  const placement = (await places(second))[0]!.placement;
  await as(editor, "placements.edit", { placement, heading: "The middle" });
  const beside = async (resource: string, from?: string) =>
    (await as(viewer, "reading.read", { resource, ...(from && { placement: from }) })).beside;
  expect(await beside(first)).toMatchObject({
    ...{ title: "In order", at: 1, of: 3, before: null },
    after: { resource: second, title: "The middle", placement },
  });
  const { section } = await as(editor, "sections.make", { collection: collection.id, title: "Later" });
  await as(editor, "placements.move", {
    placement: (await places(first))[0]!.placement,
    section: section.id,
  });
  expect(await beside(third)).toMatchObject({
    at: 2,
    before: { resource: second },
    after: { resource: first },
  });
  // In two collections nobody knows which is meant, unless it is said.
  await as(editor, "placements.add", { collection: other.id, resource: second });
  expect(await beside(second)).toBeNull();
  expect(await beside(second, placement)).toMatchObject({ at: 1, after: { resource: third } });
  expect(await beside(first, placement)).toBeNull();
  await as(editor, "placements.remove", { placement });
  expect(await beside(second, placement)).toBeNull();
  expect(await beside(third)).toMatchObject({ at: 1, of: 2, before: null });
  const { editor: outsider } = await makeWorld();
  await expect(as(outsider, "reading.read", { resource: first })).rejects.toMatchObject({
    code: "not-found",
  });
});
