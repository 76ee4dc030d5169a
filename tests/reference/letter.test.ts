import { execFileSync } from "node:child_process";
import { expect, test } from "vitest";
import { asPublished } from "@/core/editions/as-published";
import { letterOf } from "@/core/newsletter/letter";

test("w3m (Debian), which reads HTML mail as text, shows a newsletter whole and in order", () => {
  const item = (id: string, context: string) => ({
    ...{ id, kind: "page" as const, heading: "", context, look: "item" as const, title: `Title ${id}` },
    ...{
      description: "",
      address: `https://bog.example/${id}`,
      host: "bog.example",
      siteName: "Bog Journal",
    },
    ...{ authors: [], published: null, minutes: 6, pages: null, tags: [], picture: null, player: null },
    ...{ language: null, quotation: null, copy: null, isPdf: false, file: null, text: null, resource: "" },
    addedAt: "2026-11-01T08:00:00.000Z",
  });
  const collection = asPublished(
    {
      form: 1,
      collection: {
        ...{
          id: "c",
          title: "Spring newsletter",
          description: "Dear all,\nit rained.",
          rich: "",
          cover: null,
        },
        ...{ teamName: "Lantern Moss", language: "en", use: "newsletter", view: "rows", inside: [] },
        createdAt: "2026-10-01T08:00:00.000Z",
        sections: [
          {
            id: "s",
            title: "New this time",
            intro: "",
            items: [item("a", "Why a stands here"), item("b", "")],
          },
        ],
      },
    },
    null,
    { audience: "link", framedBy: "", keptAt: new Date(0) },
  )!;
  const { html } = letterOf(collection, "Water rises", {
    ...{ site: "https://moss.example", file: () => "/f", page: "https://moss.example/c/x/e/1" },
    leave: "https://moss.example/list/abc",
  });
  const shown = execFileSync(
    "w3m",
    ["-dump", "-T", "text/html", "-I", "UTF-8", "-O", "UTF-8", "-o", "display_link_number=1"],
    {
      input: html,
      encoding: "utf8",
    },
  );
  const order = ["Spring newsletter", "Water rises", "Dear all,", "it rained.", "New this time", "Why a stands here", "Title a", "Bog Journal · 6 min", "Title b", "The same as a page", "Leave the list"]; // prettier-ignore
  const places = order.map((words) => shown.replace(/\s+/g, " ").indexOf(words));
  expect(places).not.toContain(-1);
  expect(places).toEqual([...places].sort((a, b) => a - b));
  for (const address of ["https://bog.example/a", "https://bog.example/b", "https://moss.example/list/abc"])
    expect(shown).toContain(address);
});
