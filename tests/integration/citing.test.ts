import { readFileSync } from "node:fs";
import { beforeAll, expect, test } from "vitest";
import { getReferences } from "@/http/references-route";
import { as, makeWorld, somebody, type World } from "./world";

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

const OWN = readFileSync("tests/integration/files/styles/notes-on-mires.csl", "utf8").replace(
  "Notes on Mires: a journal",
  "Our own",
);

test("styles of the installation are found by words of their names, also those that only name another, and set", async () => {
  const { editor, team } = world;
  const found = async (find: string) =>
    (await as(editor, "references.styles", { team, find })).found.map((one) => one.id);
  expect(await found("JOURNAL mires")).toEqual(["notes-on-mires"]);
  expect(await found("mires")).toEqual(["mires-in-brief", "notes-on-mires"]);
  expect(await found("notes on mires: a journal")).toEqual(["notes-on-mires"]);
  expect(await found("nothing of the kind")).toEqual([]);
  await as(editor, "collections.edit", { collection: week, citationStyle: "mires-in-brief" });
  const set = await as(editor, "references.bibliography", { collection: week });
  expect([set.styleName, set.text]).toEqual(["Mires in Brief", "Ona Weld1 – Book 1 ¶\nOna Weld2 – Book 2 ¶"]);
  const wrong = as(editor, "collections.edit", { collection: week, citationStyle: "no-such-style" });
  await expect(wrong).rejects.toMatchObject({ code: "style-unknown" });
  await as(editor, "collections.edit", { collection: week, citationStyle: "" });
});

test("a team adds a style from a file, once; taken off the list it still holds where it is set; other teams have it not", async () => {
  const { editor, viewer, team } = world;
  const stranger = await somebody("Stranger with a team");
  const { style } = await as(editor, "references.add-style", { team, xml: OWN });
  expect(await as(editor, "references.add-style", { team, xml: OWN })).toMatchObject({ style });
  expect((await as(viewer, "references.styles", { team })).own).toEqual([style]);
  await as(editor, "collections.edit", { collection: week, citationStyle: style.id });
  await as(editor, "references.offer-style", { team, style: style.id, offered: false });
  const listed = await as(viewer, "references.styles", { team, named: style.id });
  expect([listed.own, listed.named, listed.mayAdd]).toEqual([[], style, false]);
  expect((await as(viewer, "references.bibliography", { collection: week })).styleName).toBe("Our own");
  const theirs = (await as(stranger, "teams.make", { name: "Others" })).team.id;
  const { collection } = await as(stranger, "collections.make", { team: theirs, title: "Theirs" });
  const taken = as(stranger, "collections.edit", { collection: collection.id, citationStyle: style.id });
  await expect(taken).rejects.toMatchObject({ code: "style-unknown" });
  await as(editor, "collections.edit", { collection: week, citationStyle: "" });
});

test.each([
  ["no style", "<html><body>A page</body></html>", /no citation style/],
  ["cut off", OWN.slice(0, 600), /Line \d+:|no citation style|no bibliography/],
  [
    "a wrong word in it",
    OWN.replace('variable="title"', 'varible="title"'),
    /^Line 14: [^:]*“varible”[^:]*$/,
  ],
  [
    "turns in a circle",
    OWN.replace('<name form="long"/></names>', '<name/></names><text macro="who"/>'),
    /No work can be set|too long/,
  ],
  ["declares what unfolds", OWN.replace("<style", '<!DOCTYPE style [<!ENTITY a "aaaa">]><style'), /declares/],
  [
    "only names another",
    readFileSync("tests/integration/files/styles/dependent/mires-in-brief.csl", "utf8"),
    /“Notes on Mires: a journal”\. That one is here/,
  ],
  ["5 MB", OWN.replace("</style>", `<!--${"x".repeat(5_000_000)}--></style>`), /At most 1000000/],
])("a file that is no style is refused in words: %s", async (_, xml, words) => {
  const { editor, team } = world;
  const refused: unknown = await as(editor, "references.add-style", { team, xml }).catch(
    (error: unknown) => error,
  );
  expect(refused).toMatchObject({
    errors: [{ field: "xml", detail: expect.stringMatching(words) as string }],
  });
});
