import { readdirSync } from "node:fs";
import { beforeAll, describe, expect, test } from "vitest";
import type { Actor } from "@/mechanism/actor";
import { Problem } from "@/mechanism/problem";
import { ACTIONS, type ActionName } from "@/services/registry";
import { type Row, TABLE } from "./every-action";
import { type Full, makeFull } from "./full-world";
import { GUESTS } from "./guests-may";
import { as, makeWorld, somebody } from "./world";

type Who = "stranger" | "holder" | "viewer" | "contributor" | "editor" | "owner";
/** Guests of the collection, and one of another collection of the same team. */
const GUEST = ["viewer", "contributor", "editor", "elsewhere"] as const;
const WHO: Who[] = ["stranger", "holder", "viewer", "contributor", "editor", "owner"];

/** Routes, and which rule stands behind each: an action's, or why it needs none. */
const ROUTES: Record<string, string> = {
  "api/archive/[team]": "archives.take",
  "api/about-me": "people.about-me",
  "api/actions/[name]": "the action's own",
  "api/auth/[...all]": "the accounts library's own",
  "api/export/[collection]": "export.collection",
  "api/exports/[order]": "export.ordered",
  "api/cards/[group]": "groups.look",
  "api/captions/[resource]": "resources.read",
  "api/file/[resource]": "files.read",
  "api/files/[[...id]]": "files.begin to begin; afterwards only whoever began",
  "api/health": "everybody: tells nothing about anybody",
  "api/imports/[import]/rejected": "imports.rejected",
  "api/live": "events.listen",
  "api/log/[team]": "log.take",
  "api/mail/[message]": "messages.original",
  "api/oembed": "reader.read",
  "api/openapi.json": "everybody: a description",
  "api/pictures/[hash]": "pictures.read",
  "api/plan/[collection]": "lessons.read",
  "api/preview/[collection]": "reader.read",
  "c/[code]": "reader.read",
  "c/[code]/[feed]": "reader.read",
  "c/[code]/f/[item]": "only files of the page behind the code, which is reader.read",
  "c/[code]/card.png": "only of the page behind the code, which is reader.read",
  "c/[code]/in/[part]": "reader.read",
  "c/[code]/in/[part]/[feed]": "reader.read",
  "c/[code]/in/[part]/t/[item]": "reader.read, and only what the page gives the copy of",
  "c/[code]/references": "reader.read, and only where the page gives it",
  "c/[code]/in/[part]/references": "reader.read, and only where the page gives it",
  "c/[code]/t/[item]": "reader.read, and only what the page gives the copy of",
  "public/[team]/[feed]": "reader.read of each",
  "public/[team]": "shelves.of-team",
  "public/[team]/p/[hash]": "only the picture of the page, which is shelves.of-team",
  "public/person/[person]": "shelves.of-person",
  "public/person/[person]/[feed]": "shelves.of-person, and reader.read of each",
  "public/person/[person]/p/[hash]": "only the picture of the page, which is shelves.of-person",
  public: "shelves.open",
  "c/[code]/in/[part]/card.png": "only of the page behind the code, which is reader.read",
  "c/[code]/in/[part]/paper": "reader.read",
  "c/[code]/in/[part]/f/[item]": "only files of the page behind the code, which is reader.read",
  "c/[code]/in/[part]/p/[hash]": "only pictures of the page behind the code, which is reader.read",
  "c/[code]/in/[part]/qr/[file]": "only of the page behind the code, which is reader.read",
  "c/[code]/p/[hash]": "only pictures of the page behind the code, which is reader.read",
  "c/[code]/paper": "reader.read",
  "c/[code]/qr/[file]": "only of the page behind the code, which is reader.read",
  "c/[code]/editions": "only of what is behind the code: numbers, dates and words of its editions",
  "c/[code]/e/[edition]/changes": "only of editions behind the code that are not withdrawn",
  "c/[code]/e/[edition]": "reader.read",
  "c/[code]/e/[edition]/p/[hash]": "only pictures of the page behind the code, which is reader.read",
  "c/[code]/e/[edition]/f/[item]": "only files of the page behind the code, which is reader.read",
  "c/[code]/e/[edition]/t/[item]": "reader.read, and only what the page gives the copy of",
  "c/[code]/e/[edition]/paper": "reader.read",
  "c/[code]/e/[edition]/card.png": "only of the page behind the code, which is reader.read",
  "c/[code]/e/[edition]/qr/[file]": "only of the page behind the code, which is reader.read",
  "c/[code]/e/[edition]/in/[part]": "reader.read",
  "c/[code]/e/[edition]/in/[part]/p/[hash]":
    "only pictures of the page behind the code, which is reader.read",
  "c/[code]/e/[edition]/in/[part]/f/[item]": "only files of the page behind the code, which is reader.read",
  "c/[code]/e/[edition]/in/[part]/t/[item]": "reader.read, and only what the page gives the copy of",
  "c/[code]/e/[edition]/in/[part]/paper": "reader.read",
  "c/[code]/e/[edition]/in/[part]/card.png": "only of the page behind the code, which is reader.read",
  "c/[code]/e/[edition]/in/[part]/qr/[file]": "only of the page behind the code, which is reader.read",
  "c/[code]/join": "newsletters.ask",
  "c/[code]/report": "reports.send",
  "c/[code]/helped": "thanks.give",
  "h/[card]/[handout]/f/[item]": "sheets.file",
  "s/[page]/file": "suggestions.page, and only while it is open",
  "api/suggested/[suggestion]": "suggestions.file",
  "list/[token]": "newsletters.on-list, newsletters.confirm, newsletters.leave",
  go: "codes.open",
  "go/[code]": "codes.open",
  "notices/[token]": "notices.whose, notices.leave",
  "robots.txt": "everybody: a description",
  "sitemap.xml": "everybody: what is public",
};

function expected({ from }: Row, who: Who): boolean {
  if (from === "everybody") return true;
  if (from === "reader") return who !== "stranger";
  if (from === "steward") return false;
  const order = ["viewer", "contributor", "editor", "owner"];
  if (from === "signed in") return order.includes(who);
  return order.indexOf(who) >= order.indexOf(from);
}

function expectedOfGuest(name: ActionName, guest: (typeof GUEST)[number]): boolean {
  const { from } = TABLE[name];
  if (from === "everybody" || from === "signed in") return true;
  const may = GUESTS[name];
  if (!may || guest === "elsewhere") return false;
  return GUEST.indexOf(guest) >= GUEST.indexOf(may.from);
}

let world: Full;
beforeAll(async () => {
  world = await makeFull();
});

describe.each(Object.keys(ACTIONS) as ActionName[])("%s", (name) => {
  test.each(WHO)("%s", async (who) => {
    const row = TABLE[name];
    expect(row, `${name} has no row in the policy table`).toBeDefined();
    expect(await decided(name, world[who], row.input(world))).toBe(expected(row, who));
  });

  test.each(GUEST)("guest %s", async (guest) => {
    const ask = GUESTS[name]?.input ?? TABLE[name].input;
    // Of the whole team a guest of another collection has as much as this one: what they see of it is another matter.
    const isOfTeam = guest === "elsewhere" && "team" in ask(world) && !("collection" in ask(world));
    expect(await decided(name, world.guests[guest], ask(world))).toBe(
      expectedOfGuest(name, isOfTeam ? "editor" : guest),
    );
  });
});

async function decided(name: ActionName, who: Actor, input: object): Promise<boolean> {
  return ACTIONS[name].decide(who, input).then(
    () => true,
    (error: unknown) => {
      // Only a refusal counts: a wrong input in the table would prove nothing.
      expect(error).toBeInstanceOf(Problem);
      expect(["not-signed-in", "not-allowed", "not-found"]).toContain((error as Problem).kind);
      return false;
    },
  );
}

test("every route has its row", () => {
  const routes = readdirSync("src/app", { recursive: true })
    .map(String)
    .filter((file) => file.endsWith("route.ts"))
    .map((file) => file.replace(/\/route\.ts$/, ""));
  expect(routes.sort()).toEqual(Object.keys(ROUTES).sort());
});

test("what is refused changes nothing, and another team's things are not there", async () => {
  await expect(
    as(world.viewer, "collections.edit", { collection: world.collection, title: "Taken over" }),
  ).rejects.toMatchObject({ kind: "not-allowed" });
  const outsider = await somebody("outsider");
  await expect(as(outsider, "collections.read", { collection: world.collection })).rejects.toMatchObject({
    kind: "not-found",
  });
  const { collection } = await as(world.owner, "collections.read", { collection: world.collection });
  expect(collection.title).toBe("A collection");
  await expect(
    as(world.viewer, "members.remove", { team: world.team, person: world.editor.person!.id }),
  ).rejects.toMatchObject({ kind: "not-allowed" });
});

test("teams are not mixed by naming a thing of another one as the second", async () => {
  const other = await makeWorld();
  const wrong: [ActionName, object][] = [
    ["placements.add", { collection: world.collection, resource: other.resource }],
    [
      "capture.address",
      { team: world.team, address: "https://bog.example/mix", collection: other.collection },
    ],
    ["collections.make", { team: world.team, title: "x", parent: other.collection }],
    ["placements.move", { placement: world.placement, section: other.section }],
  ];
  for (const [name, input] of wrong)
    await expect(as(world.owner, name, input)).rejects.toMatchObject({ kind: "not-found" });
});
