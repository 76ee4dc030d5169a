import { expect, test } from "vitest";
import { resource } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import { eq } from "drizzle-orm";
import { as, makeWorld } from "./world";

test("each thing counts once wherever it stands, for each of its authors, and what nobody knows is told", async () => {
  const { editor, team } = await makeWorld();
  const { collection: course } = await as(editor, "collections.make", { team, title: "Course" });
  const { collection: week } = await as(editor, "collections.make", {
    team,
    title: "Week",
    parent: course.id,
  });
  const bring = async (host: string, known: object, where: string) => {
    const address = `https://${host}/${newId()}`;
    const { resource: made } = await as(editor, "capture.address", { team, address, collection: where });
    await database().update(resource).set(known).where(eq(resource.id, made.id));
    return made.id;
  };
  const both = { authors: ["Ama Oak", "Rhea Elm"], published: "2025-03-09", language: "en-GB" };
  const first = await bring("bog.example", both, week.id);
  await bring("bog.example", { authors: ["Ama Oak"], published: "2025", language: "en" }, week.id);
  await bring("fen.example", { authors: [], published: null, language: null }, course.id);
  await as(editor, "capture.note", { team, text: "Nobody's source", collection: week.id });
  // The same thing once more, in the collection above.
  await as(editor, "placements.add", { collection: course.id, resource: first });
  const mix = async (collection?: string) =>
    Object.fromEntries(
      (await as(editor, "mix.read", { team, collection })).mixes.map((one) => [one.by, one]),
    );
  const course_ = await mix(course.id);
  expect(course_.site).toMatchObject({
    shares: [
      { value: "bog.example", count: 2 },
      { value: "fen.example", count: 1 },
    ],
  });
  expect(course_.author).toMatchObject({
    shares: [
      { value: "Ama Oak", count: 2 },
      { value: "Rhea Elm", count: 1 },
    ],
    unknown: 1,
  });
  expect(course_.language).toMatchObject({ shares: [{ value: "en", count: 2 }], unknown: 1, like: 1 });
  expect(course_.year).toMatchObject({ shares: [{ value: "2025", count: 2 }], unknown: 1 });
  expect((await mix(week.id)).site!.shares).toEqual([{ value: "bog.example", count: 2 }]);
  const of = async (by: string, value: string) =>
    (await as(editor, "mix.items", { team, collection: course.id, by, value })).items.length;
  expect([await of("author", "Ama Oak"), await of("author", ""), await of("year", "")]).toEqual([2, 1, 1]);
  expect([await of("site", "fen.example"), await of("kind", "note")]).toEqual([1, 0]);
});

test("a collection of another team is not looked at", async () => {
  const [one, other] = [await makeWorld(), await makeWorld()];
  await expect(
    as(one.editor, "mix.read", { team: one.team, collection: other.collection }),
  ).rejects.toMatchObject({ kind: "not-found" });
});
