import { eq } from "drizzle-orm";
import { expect, test } from "vitest";
import type { PageFacts } from "@/core/page/facts";
import { resource } from "@/data/schema";
import { database } from "@/mechanism/changing";
import { type Filling, fillResource } from "@/services/resources/fill";
import { as, makeWorld } from "./world";

/** What a fetch finds on a page of the notebook that says so much of itself, or less. */
const page = (siteName: string | null): Filling => {
  const nothing = {
    description: null,
    published: null,
    language: null,
    words: null,
    pages: null,
    seconds: null,
    licence: null,
  };
  const facts: PageFacts = {
    ...{ kind: "page", title: "A page", siteName, authors: [], pictures: [], player: null },
    ...{ canonical: null, oembed: null, ...nothing },
  };
  const finalAddress = "https://notebook.example/read";
  return { ok: true, facts, finalAddress, picture: null, copy: null, origin: "fetched" };
};
const [nameless, named] = [page(null), page("Peat Notebook")];

test("what a site is called is learnt from its other pages, both ways, and from no other team’s; a typed name stays", async () => {
  const { editor, team } = await makeWorld();
  const bring = async (path: string) =>
    (await as(editor, "capture.address", { team, address: `https://notebook.example/${path}` })).resource;
  const called = async (id: string) =>
    (await database().select().from(resource).where(eq(resource.id, id)))[0]!.siteName;

  const [first, ours] = [await bring("first"), await bring("ours")];
  await fillResource(first.id, nameless);
  await fillResource(ours.id, nameless);
  await as(editor, "resources.edit", { resource: ours.id, siteName: "Our notebook" });
  const second = await bring("second");
  await fillResource(second.id, named);
  expect([await called(first.id), await called(ours.id)]).toEqual(["Peat Notebook", "Our notebook"]);
  const third = await bring("third");
  await fillResource(third.id, nameless);
  expect(await called(third.id)).toBe("Peat Notebook");

  const other = await makeWorld();
  const theirs = await as(other.editor, "capture.address", {
    team: other.team,
    address: "https://notebook.example/first",
  });
  await fillResource(theirs.resource.id, nameless);
  expect(await called(theirs.resource.id)).toBe("");
});
