import { expect, test } from "vitest";
import type { Problem } from "@/mechanism/problem";
import type { ActionName } from "@/services/registry";
import { as, makeWorld, type World } from "./world";

const BASE = "one two three four five six seven eight";

type Text = {
  action: ActionName;
  of: (world: World) => object;
  field: string;
  /** Where it is read afterwards. */
  read: (world: World) => Promise<string>;
  /** As it is sent, and as it is compared. */
  dress?: (text: string) => unknown;
  base?: (text: string) => string;
  began?: string;
};

const marked = (text: string) => `<p>${text}</p>`;
const listed = (text: string) => text.split(" ");
const readResource = async (world: World) =>
  (await as(world.editor, "resources.read", { resource: world.resource })).resource;
const readCollection = async (world: World) =>
  (await as(world.editor, "collections.read", { collection: world.collection })).collection;
const readItem = async (world: World) =>
  (await as(world.editor, "collections.items", { collection: world.collection })).items.find(
    (item) => item.id === world.placement,
  )!;
const readSection = async (world: World) =>
  (await as(world.editor, "collections.read", { collection: world.collection })).sections.find(
    (section) => section.id === world.section,
  )!;

/** Every text that people write together. */
const TEXTS: Text[] = [
  ...(["heading", "context"] as const).map((field) => ({
    action: "placements.edit" as const,
    of: ({ placement }: World) => ({ placement }),
    field,
    read: async (world: World) => (await readItem(world))[field],
  })),
  ...(["title", "intro"] as const).map((field) => ({
    action: "sections.edit" as const,
    of: ({ section }: World) => ({ section }),
    field,
    read: async (world: World) => (await readSection(world))[field],
    ...(field === "intro" && { dress: marked, base: marked }),
  })),
  ...(["title", "description", "rich"] as const).map((field) => ({
    action: "collections.edit" as const,
    of: ({ collection }: World) => ({ collection }),
    field,
    read: async (world: World) => (await readCollection(world))[field],
    ...(field === "rich" && { dress: marked, base: marked }),
  })),
  ...(["title", "description", "notes", "siteName"] as const).map((field) => ({
    action: "resources.edit" as const,
    of: ({ resource }: World) => ({ resource }),
    field,
    read: async (world: World) => (await readResource(world))[field],
  })),
  {
    action: "resources.edit",
    of: ({ resource }) => ({ resource }),
    field: "authors",
    read: async (world) => (await readResource(world)).authors.join(" "),
    dress: listed,
    base: (text) => listed(text).join("; "),
  },
];

const save = (
  world: World,
  by: "owner" | "editor",
  { action, of, field, dress = String, base = String }: Text,
  text: string,
  began: string | string[],
) =>
  as(world[by], action, {
    ...of(world),
    [field]: dress(text),
    base: { [field]: Array.isArray(began) ? began.map(base) : base(began) },
  } as never) as Promise<object>;

for (const text of TEXTS) {
  const name = `${text.action} ${text.field}`;
  const dressed = (words: string) => (text.base === marked ? marked(words) : words);

  test(`${name}: what two write into different places at one moment both stands there`, async () => {
    const world = await makeWorld();
    await as(world.editor, text.action, {
      ...text.of(world),
      [text.field]: (text.dress ?? String)(BASE),
    } as never);
    await Promise.all([
      save(world, "owner", text, BASE.replace("two", "TWO"), BASE),
      save(world, "editor", text, BASE.replace("seven", "SEVEN"), BASE),
    ]);
    expect(await text.read(world)).toBe(dressed("one TWO three four five six SEVEN eight"));
  });

  test(`${name}: the same words are not overwritten but asked about, with what stands there`, async () => {
    const world = await makeWorld();
    await as(world.editor, text.action, {
      ...text.of(world),
      [text.field]: (text.dress ?? String)(BASE),
    } as never);
    const both = await Promise.allSettled([
      save(world, "owner", text, BASE.replace("two", "2"), BASE),
      save(world, "editor", text, BASE.replace("two", "zwei"), BASE),
    ]);
    const refused = both.find((one) => one.status === "rejected")!;
    const problem = refused.reason as Problem;
    expect([both.filter((one) => one.status === "fulfilled").length, problem.code]).toEqual([
      1,
      "words-differ",
    ]);
    const kept = both[0]!.status === "fulfilled" ? "2" : "zwei";
    const now = dressed(BASE.replace("two", kept));
    expect([await text.read(world), problem.errors.map((error) => error.field)]).toEqual([now, [text.field]]);
    expect(problem.errors[0]!.now!.replaceAll(";", "")).toBe(now);
  });
}

test("what is sent again while the first may have arrived is no quarrel with oneself", async () => {
  const world = await makeWorld();
  const [, context] = TEXTS as [Text, Text];
  await save(world, "editor", context, "Read", "");
  await save(world, "editor", context, "Read it", ["Read", ""]);
  await save(world, "editor", context, "Read it twice", ["Read it", "Read", ""]);
  // The first of two did not arrive.
  await save(world, "editor", context, "Read it four times", ["Read it three times", "Read it twice"]);
  expect(await context.read(world)).toBe("Read it four times");
});

test("a program that says no base overwrites; one that names no text is told", async () => {
  const world = await makeWorld();
  const { placement } = world;
  await as(world.editor, "placements.edit", { placement, context: "Theirs" });
  await as(world.owner, "placements.edit", { placement, context: "Mine" });
  expect((await readItem(world)).context).toBe("Mine");
  await expect(
    as(world.owner, "placements.edit", { placement, context: "x", base: { contxt: "Mine" } }),
  ).rejects.toThrow("no text “contxt”");
});
