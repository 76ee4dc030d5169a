import { beforeAll, expect, test } from "vitest";
import { getReferences } from "@/http/references-route";
import { as, makeWorld, type World } from "./world";

let world: World;
let course: string;
let week: string;
const placed: string[] = [];

beforeAll(async () => {
  world = await makeWorld();
  const { editor, team } = world;
  course = (await as(editor, "collections.make", { team, title: "Bogs" })).collection.id;
  week = (await as(editor, "collections.make", { team, title: "Week 1", parent: course })).collection.id;
  for (const [n, published] of [
    [1, "2019-03"],
    [2, ""],
  ] as const) {
    const { item } = await as(editor, "capture.work", {
      ...{ team, type: "book", title: `Book ${n}`, authors: [`Weld${n}, Ona`], collection: week },
      ...(published && { published }),
    });
    await as(editor, "placements.edit", { placement: item!.id, context: `Because of ${n}` });
    placed.push(item!.id);
  }
});
const styleOf = async (collection: string) =>
  (await as(world.editor, "references.bibliography", { collection })).style;

test("the style that holds is the collection's own, else what it stands in, else the team's; saved things stay as they are", async () => {
  const { editor, owner, team } = world;
  expect(await styleOf(week)).toBe("apa");
  await as(owner, "teams.set-style", { team, style: "ieee" });
  expect(await styleOf(week)).toBe("ieee");
  await as(editor, "collections.edit", { collection: course, citationStyle: "vancouver" });
  expect(await styleOf(week)).toBe("vancouver");
  const { entry } = await as(editor, "collections.edit", { collection: week, citationStyle: "nature" });
  expect([await styleOf(week), await styleOf(course)]).toEqual(["nature", "vancouver"]);
  await as(editor, "history.undo", { team, entry: entry! });
  expect(await styleOf(week)).toBe("vancouver");
  await as(editor, "collections.edit", { collection: course, citationStyle: "" });
  await as(owner, "teams.set-style", { team, style: "" });
  await expect(as(owner, "teams.set-style", { team, style: "../x" })).rejects.toMatchObject({
    code: "not-valid",
  });
});

test("some items are cited in the text with their page; a bibliography is laid out as asked, and says what it is poor without", async () => {
  const { editor } = world;
  const one = await as(editor, "references.cite", { collection: week, placements: placed[0]!, at: "14" });
  expect(one.inText.text).toBe("(Weld1, 2019, p. 14)");
  expect(one.reference.text).toBe("Weld1, O. (2019). Book 1.");
  const both = await as(editor, "references.cite", {
    ...{ collection: week, placements: placed.join(","), style: "ieee" },
  });
  expect(both.inText.text).toBe("[1], [2]");
  const laid = await as(editor, "references.bibliography", {
    ...{ collection: course, order: "own", by: "section", context: true },
  });
  expect(laid.text).toBe(
    "Week 1\nWeld1, O. (2019). Book 1.\n    Because of 1\nWeld2, O. (n.d.). Book 2.\n    Because of 2",
  );
  expect(laid.lacking.map((gap) => [gap.title, gap.lacks.map((lack) => lack.field)])).toEqual([
    ["Book 1", ["publisher"]],
    ["Book 2", ["published", "publisher"]],
  ]);
});

test("readers are given it where the curator says so, and with it only what they are shown", async () => {
  const { editor } = world;
  const { code } = await as(editor, "share.set", { collection: course, audience: "link", reach: "all" });
  const get = async (params: object) => {
    const answer = await getReferences(new Request("http://localhost/c/x/references"), {
      params: Promise.resolve({ code: code!, ...params }),
    });
    return { status: answer.status, text: await answer.text() };
  };
  const settle = () => new Promise((resolve) => setTimeout(resolve, 600));
  expect((await get({})).status).toBe(404);
  await as(editor, "collections.edit", { collection: course, givesReferences: true });
  await as(editor, "placements.edit", { placement: placed[1]!, forReaders: false });
  await settle();
  const given = await get({});
  expect(given.status).toBe(200);
  expect(given.text).toContain("<i>Book 1</i>");
  expect(given.text).toContain("APA, 7th edition");
  expect(given.text).not.toContain("Book 2");
  // The week has not been given its own.
  expect((await get({ part: week })).status).toBe(404);
  await as(editor, "share.set", { collection: course, audience: "team" });
  await settle();
  expect((await get({})).status).toBe(404);
});
