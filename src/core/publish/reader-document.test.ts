import { gzipSync } from "node:zlib";
import { expect, test } from "vitest";
import { html } from "./html";
import type { Door, InsideCollection, PublishedCollection, PublishedItem } from "./model";
import { readerDocument } from "./reader-document";
import { READER_VIEWS } from "./model";
import { COMFORT_SCRIPT, READER_SCRIPT } from "./reader-script";

const places = {
  file: (item: { id: string }) => `/c/x/f/${item.id}`,
  captions: (item: { id: string }) => `/c/x/f/${item.id}?captions`,
  self: "/c/x",
  site: "",
  copy: null,
  isPdf: false,
  picture: (hash: string) => `/c/x/p/${hash}`,
  fonts: "/fonts",
  view: (view: string) => `/c/x?view=${view}`,
  everything: null,
  home: "/c/x",
  door: ({ code, part }: Door) => `/c/${code ?? "x"}${part ? `/in/${part}` : ""}`,
};
const item = (more: Partial<PublishedItem>): PublishedItem => ({
  id: "1", kind: "video", heading: "", context: "", look: "item", title: "A title", description: "About it", address: "https://bog.example/", host: "bog.example", siteName: "", authors: [],
  published: null, minutes: 12, pages: null, tags: [], picture: null, player: null,
    language: null, isPdf: false, quotation: null, copy: null, file: null, addedAt: new Date(0), ...more,
}); // prettier-ignore
const collection = (items: PublishedItem[], more: Partial<PublishedCollection> = {}): PublishedCollection => ({
  id: "c", title: "T", description: "", rich: "", cover: null, teamName: "Team", audience: "link", view: "rows", use: null, createdAt: new Date(0), updatedAt: new Date(0), inside: [], way: null, language: "", framedBy: "*", sections: [{ id: null, title: "", intro: "", items }], ...more,
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
        way: { above: [{ title: evil, door: { code: evil, part: null } }], before: null, next: null },
        inside: [
          {
            id: "w",
            title: evil,
            door: { code: evil, part: evil },
            count: 1,
            minutes: 1,
            cloth: { threads: [{ kind: "page", minutes: 1 }], tags: [evil] },
            inside: [],
          },
        ],
      },
    ),
    "rows",
    places,
  );
  expect(page.match(/<script/g)).toHaveLength(2);
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
  expect(
    page.match(/ (src|href|action|poster)="(?!\/c\/x|\/icon\.svg|https:\/\/bog\.example\/)[^"]*"/g),
  ).toBeNull();
  expect(page).toContain('data-src="https://media.example/a.mp4"');
  expect(page).not.toMatch(/<(iframe|video|audio|link (?!rel="icon"))\b/);
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
  expect(gzipSync(COMFORT_SCRIPT + READER_SCRIPT).length).toBeLessThan(12 * 1024);
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

const part = (title: string, minutes: number, more: Partial<InsideCollection> = {}): InsideCollection => ({
  id: title,
  title,
  door: { code: null, part: title.toLowerCase().replace(" ", "-") },
  count: 1,
  minutes,
  cloth: { threads: [{ kind: "page" as const, minutes }], tags: [] },
  inside: [],
  ...more,
});

test("a course is one length of cloth: a stretch for each part that holds something, however deep, and the way to it", () => {
  const unit = part("Unit 1", 0, {
    count: 0,
    inside: [part("Week 1", 20), part("Week 2", 40, { door: null, count: 2 })],
  });
  const page = readerDocument(collection([item({})], { inside: [unit] }), "rows", places);
  expect(page).toMatch(
    /<li style="flex:20 1 24px"><a href="\/c\/x\/in\/week-1">.*?<span>Week 1<\/span><\/a>/s,
  );
  expect(page).toMatch(/<li style="flex:40 1 24px"><div class="cloth">.*?<span>Week 2<\/span><\/li>/s);
  expect(page).not.toMatch(/flex:\d+ 1 24px"><a href="\/c\/x\/in\/unit-1"/);
  // Its own item of 12 minutes and what stands in the weeks.
  expect(page).toContain("1 unit, 2 weeks, 4 items, 1 h 12 min");
  expect(page).toMatch(/<h2 id="inside">1 unit, 2 weeks<\/h2>.*Unit 1<\/a> <small>3 items, 1 h<\/small>/s);
  expect(readerDocument(collection([item({})]), "rows", places)).not.toContain('class="course"');
});

test("a week says which course it is of, goes up, on and back", () => {
  const stop = (title: string, part: string | null) => ({ title, door: { code: null, part } });
  const way = {
    above: [stop("Moss for beginners", null), stop("Unit 1", "u")],
    before: stop("Week 1", "w1"),
    next: stop("Week 3", "w3"),
  };
  const page = readerDocument(collection([item({})], { way }), "rows", places);
  expect(page).toMatch(
    /aria-label="Part of"><a href="\/c\/x">Moss for beginners<\/a><a href="\/c\/x\/in\/u">Unit 1<\/a>/,
  );
  expect(page).toMatch(/rel="prev" href="\/c\/x\/in\/w1">.*rel="next" href="\/c\/x\/in\/w3">/s);
  expect(readerDocument(collection([item({})]), "rows", places)).not.toContain('<nav class="on"');
});

test("what is public says in the terms of schema.org what it is, and nothing in it ends the script", () => {
  const evil = "</script><script>alert(1)</script>";
  const shown = { audience: "public", language: "pl", title: evil, description: "About" } as const;
  const page = readerDocument(
    collection([item({ title: evil, context: "Because", authors: ["Ama O"] }), item({ id: "t", kind: "note", look: "text" })], shown),
    "rows",
    { ...places, site: "https://moss.example" },
  );
  const [, data] = /<script type="application\/ld\+json">(.*?)<\/script>/.exec(page)!;
  expect(JSON.parse(data!)).toMatchObject({
    "@context": "https://schema.org",
    url: "https://moss.example/c/x",
    name: evil,
    inLanguage: "pl",
    timeRequired: "PT12M",
    hasPart: [{ "@type": "VideoObject", name: evil, abstract: "Because", author: [{ name: "Ama O" }] }],
  });
  expect(page).toContain('<html lang="pl">');
  expect(page).toContain('<link rel="canonical" href="https://moss.example/c/x">');
  const closed = readerDocument(collection([item({})]), "rows", { ...places, site: "https://moss.example" });
  expect(closed).not.toMatch(/canonical|ld\+json/);
  expect(closed).toContain('property="og:image" content="https://moss.example/c/x/card.png"');
}); // prettier-ignore

test("a part of a video plays from its second to its second; a PDF of our own is read in place", () => {
  const player = { type: "file" as const, address: "https://media.example/a.webm", mime: "video/webm" };
  const page = readerDocument(
    collection([
      item({ address: "https://bog.example/a#t=10,20", player }),
      item({ id: "2", kind: "document", address: "", file: "r", isPdf: true }),
    ]),
    "rows",
    places,
  );
  expect(page).toContain('data-src="https://media.example/a.webm#t=10,20"');
  expect(page).toContain('data-type="pdf" data-src="/c/x/f/2"');
});

test("words keep their language and direction; a quotation stands as one", () => {
  const page = readerDocument(
    collection(
      [
        item({ language: "de", title: "Das Moor" }),
        item({ id: "2", language: "de", heading: "Ours" }),
        item({ id: "3", kind: "note", address: "", quotation: "Peat is slow.", language: "ur" }),
      ],
      { language: "ar" },
    ),
    "rows",
    places,
  );
  expect(page).toContain('<html lang="ar" dir="rtl">');
  expect(page).toContain(' lang="de">Das Moor</a>');
  expect(page).toMatch(/noreferrer">Ours<\/a>/);
  expect(page).toContain('<blockquote lang="ur" dir="rtl">Peat is slow.</blockquote>');
});
