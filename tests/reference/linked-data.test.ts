import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Thing } from "schema-dts";
import { expect, test } from "vitest";
import type { PublishedCollection, PublishedItem } from "@/core/publish/model";
import { readerDocument } from "@/core/publish/reader-document";
import { KINDS } from "@/core/page/facts";

/** schema.org's types and terms, as Google's schema-dts writes them down. */
const SCHEMA = readFileSync(createRequire(import.meta.url).resolve("schema-dts/dist/schema.d.ts"), "utf8");

/** The terms a type of schema.org has, with those of what it is a kind of. */
function termsOf(type: string): Set<string> {
  const [, above = "", body = ""] =
    new RegExp(`interface ${type}Base extends ([^{]*)\\{([\\s\\S]*?)\\n\\}`).exec(SCHEMA) ?? [];
  const own = [...body.matchAll(/^ {4}"(\w+)"\?:/gm)].map((one) => one[1]!);
  const kindOf = above.split(",").flatMap((one) => /(\w+)Base/.exec(one)?.[1] ?? []);
  return new Set([...own, ...kindOf.flatMap((one) => [...termsOf(one)])]);
}

type Node = Record<string, unknown> & { "@type": string | string[] };
const isNode = (value: unknown): value is Node =>
  typeof value === "object" && value !== null && "@type" in value;
const nodesIn = (value: unknown): Node[] =>
  Array.isArray(value)
    ? value.flatMap(nodesIn)
    : isNode(value)
      ? [value, ...Object.values(value).flatMap(nodesIn)]
      : [];

test("what a public page says of itself has types and terms schema.org knows, each on a type that has it", () => {
  const items = KINDS.map((kind, i): PublishedItem => ({
    ...{ id: String(i), kind, heading: "", context: "Because", look: "item", title: `Thing </script> ${i}` },
    ...{ description: "About it", address: "https://bog.example/", host: "bog.example", siteName: "Bog" },
    ...{ authors: ["Ama Okeri"], published: "2026-03", minutes: 12, pages: null, tags: ["water"] },
    ...{ picture: null, player: null, language: "en", quotation: null, copy: null, isPdf: false, file: null },
    ...(kind === "page" && { opens: { count: 3, minutes: 12, cloth: { threads: [], tags: [] } } }),
    addedAt: new Date(0),
  }));
  const collection: PublishedCollection = {
    ...{ id: "c", title: "Bogs", description: "In all weathers", rich: "", cover: null, teamName: "Lantern" },
    ...{
      audience: "public",
      view: "rows",
      use: "portfolio",
      language: "en",
      framedBy: "*",
      inside: [],
      way: null,
    },
    ...{ createdAt: new Date(0), updatedAt: new Date(0) },
    sections: [{ id: null, title: "", intro: "", items }],
  };
  const page = readerDocument(collection, "rows", {
    ...{
      self: "/c/x",
      home: "/c/x",
      site: "https://moss.example",
      fonts: null,
      copy: null,
      view: null,
      everything: null,
    },
    ...{ picture: () => "", file: () => "", captions: () => null, door: () => "" },
  });
  const [, text] = /<script type="application\/ld\+json">(.*?)<\/script>/s.exec(page)!;
  const said = JSON.parse(text!) as Thing;
  const nodes = nodesIn(said);
  // The collection, its maker, and each item with its author.
  expect(nodes).toHaveLength(2 + 2 * KINDS.length);
  for (const node of nodes) {
    const types = [node["@type"]].flat();
    for (const type of types) expect(SCHEMA, type).toContain(`"@type": "${type}"`);
    const terms = new Set(types.flatMap((type) => [...termsOf(type)]));
    for (const name of Object.keys(node).filter((one) => !one.startsWith("@")))
      expect(terms, `${types.join()} has no ${name}`).toContain(name);
  }
});
