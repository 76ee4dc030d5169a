import { expect, test } from "vitest";
import { html } from "./html";
import type { PublishedCollection, PublishedItem } from "./model";
import { readerDocument } from "./reader-document";
import { READER_VIEWS } from "./model";
import { READER_SCRIPT } from "./reader-script";

const places = {
  file: (item: { id: string }) => `/c/x/f/${item.id}`,
  self: "/c/x",
  picture: (hash: string) => `/c/x/p/${hash}`,
  fonts: "/fonts",
  collection: (code: string) => `/c/${code}`,
};
const item = (more: Partial<PublishedItem>): PublishedItem => ({
  id: "1", kind: "video", heading: "", context: "", look: "item", title: "A title", description: "About it", address: "https://bog.example/", host: "bog.example", siteName: "", authors: [],
  published: null, minutes: 12, pages: null, tags: [], picture: null, player: null,
    file: null, addedAt: new Date(0), ...more,
}); // prettier-ignore
const collection = (items: PublishedItem[], more: Partial<PublishedCollection> = {}): PublishedCollection => ({
  id: "c", title: "T", description: "", rich: "", cover: null, teamName: "Team", audience: "link", view: "rows", createdAt: new Date(0), updatedAt: new Date(0), inside: [], sections: [{ id: null, title: "", intro: "", items }], ...more,
}); // prettier-ignore

test("text stays text wherever it is put", () => {
  const evil = `"><script>alert(1)</script><img src=x onerror='a'>&`;
  const page = readerDocument(
    collection(
      [
        item({
          title: evil,
          heading: evil,
          context: evil,
          description: evil,
          siteName: evil,
          authors: [evil],
          address: `https://bog.example/?${evil}`,
          player: { type: "frame", address: `https://x.example/${evil}`, mime: null },
        }),
      ],
      {
        title: evil,
        description: evil,
        teamName: evil,
        inside: [
          {
            title: evil,
            code: evil,
            count: 1,
            cloth: { threads: [{ kind: "page", minutes: 1 }], tags: [evil], minutes: 1 },
          },
        ],
      },
    ),
    "rows",
    places,
  );
  expect(page.match(/<script/g)).toHaveLength(1);
  expect(page).not.toContain("<img src=x");
  expect(html`<a title="${`"'<&`}">${["<", null, false, html`<b>${"&"}</b>`]}</a>`.text).toBe(
    `<a title="&quot;&#39;&lt;&amp;">&lt;<b>&amp;</b></a>`,
  );
});

test("nothing of another origin is loaded before a press: no frame, no media, no foreign picture", () => {
  const page = readerDocument(
    collection([
      item({
        picture: "ab",
        player: { type: "file", address: "https://media.example/a.mp4", mime: "video/mp4" },
      }),
    ]),
    "cards",
    places,
  );
  expect(page.match(/ (src|href|action|poster)="(?!\/c\/x|https:\/\/bog\.example\/)[^"]*"/g)).toBeNull();
  expect(page).toContain('data-src="https://media.example/a.mp4"');
  expect(page).not.toMatch(/<(iframe|video|audio|link|form)\b/);
});

test("context comes first and the title beneath; without one the title takes its place and the description follows", () => {
  const withContext = readerDocument(
    collection([item({ context: "Watch this first", heading: "Ours" })]),
    "rows",
    places,
  );
  expect(withContext.indexOf("Watch this first")).toBeLessThan(withContext.indexOf(">Ours</a>"));
  expect(withContext).not.toContain("About it");
  expect(readerDocument(collection([item({})]), "rows", places)).toMatch(/class="what large".*About it/s);
});

test("only a public collection may be found by search engines, and the script stays small", () => {
  expect(readerDocument(collection([]), "rows", places)).toContain('content="noindex"');
  expect(readerDocument(collection([], { audience: "public" }), "rows", places)).not.toContain("noindex");
  expect(READER_SCRIPT.length).toBeLessThan(4_000);
});

test("every view has every item once, in order; what leads on stands between them, and in no table", () => {
  const parts = [
    { id: null, title: "", intro: "", items: [item({ id: "a", title: "First" })] },
    {
      id: "s",
      title: "At the bog",
      intro: "<p>Bring <b>boots</b>.</p>",
      items: [
        item({ id: "b", title: "Second" }),
        item({ id: "t", kind: "note", look: "text", heading: "By the gate", description: "Wait here." }),
        item({ id: "c", title: "Third" }),
      ],
    },
  ];
  for (const view of READER_VIEWS) {
    const page = readerDocument(
      collection([], { sections: parts, rich: "<p>For <i>all</i></p>" }),
      view,
      places,
    );
    expect(page.match(/class="item" id="i-(\w)"/g), view).toEqual(
      ["a", "b", "c"].map((id) => `class="item" id="i-${id}"`),
    );
    expect(page, view).toContain("<b>boots</b>");
    expect(page, view).toContain("<i>all</i>");
    expect(page, view).toContain("3 items");
    expect(page.includes("Wait here."), view).toBe(view !== "table");
    expect(page.match(/aria-current="true"/g), view).toHaveLength(1);
  }
});

test("a course is one length of cloth: a stretch for each part, as long as its minutes, and the way to it", () => {
  const part = (title: string, minutes: number, code: string | null) => ({
    title,
    code,
    count: 1,
    cloth: { threads: [{ kind: "page" as const, minutes }], tags: [], minutes },
  });
  const page = readerDocument(
    collection([], { inside: [part("Week 1", 20, "aaa"), part("Week 2", 40, null)] }),
    "rows",
    places,
  );
  expect(page).toMatch(/<ul class="course"><li style="flex:20 1 24px"><a href="\/c\/aaa">.*?Week 1<\/a>/s);
  expect(page).toMatch(/<li style="flex:40 1 24px"><div class="cloth">.*?<\/div>Week 2<\/li>/s);
  expect(readerDocument(collection([item({})]), "rows", places)).not.toContain('class="course"');
});
