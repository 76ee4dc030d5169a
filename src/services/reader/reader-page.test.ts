import { afterAll, afterEach, beforeEach, expect, test, vi } from "vitest";
import type { PublishedCollection } from "@/core/publish/model";

const world = vi.hoisted(() => ({
  found: null as { root: string; stamp: string } | null,
  audience: "link",
  title: "",
  away: "" as "" | "refused" | "silent",
  asked: 0,
  read: 0,
}));
vi.mock("@/mechanism/changing", () => ({ database: () => null }));
vi.mock("../accounts/address", () => ({ addressOfHobbin: () => "https://moss.example" }));
vi.mock("./shown-behind", async (original) => ({
  ...(await original()),
  shownBehind: async () => {
    world.asked++;
    if (world.away === "silent") return new Promise(() => undefined);
    if (world.away) throw Object.assign(new Error("away"), { code: "ECONNREFUSED" });
    return world.found && { ...world.found, parts: new Set(), shows: "living", editions: [] };
  },
}));
vi.mock("./read", () => ({
  readPublished: {
    call: async () => {
      world.read++;
      return {
        collection: {
          id: "bog",
          title: world.title,
          description: "",
          rich: "",
          cover: null,
          teamName: "Moss",
          audience: world.audience,
          view: "rows",
          createdAt: new Date(0),
          updatedAt: new Date(0),
          sections: [],
          inside: [],
          way: null,
          language: "",
          framedBy: "*",
        } as unknown as PublishedCollection,
      };
    },
  },
}));
const { readerPage } = await import("./reader-page");
afterAll(() => void vi.resetModules());

let codes = 0;
beforeEach(() => {
  vi.useFakeTimers({ now: new Date("2026-05-01T12:00:00Z") });
  Object.assign(world, {
    found: { root: "bog", stamp: "1" },
    audience: "link",
    title: "Fires",
    away: "",
    asked: 0,
    read: 0,
  });
  codes++;
});
afterEach(() => void vi.useRealTimers());
const code = () => `code-${codes}`;
const shown = async () => {
  const page = await readerPage({ code: code() });
  return page && /<title>(.*?)<\/title>/.exec(new TextDecoder().decode(page.bytes))![1];
};

test("a page that many ask for at once is made once, and asked about twice a second at the most", async () => {
  await Promise.all(Array.from({ length: 100 }, () => readerPage({ code: code() })));
  expect([world.asked, world.read]).toEqual([1, 1]);
  await vi.advanceTimersByTimeAsync(499);
  await readerPage({ code: code() });
  expect(world.asked).toBe(1);
  await vi.advanceTimersByTimeAsync(1);
  await readerPage({ code: code() });
  expect([world.asked, world.read]).toEqual([2, 1]);
});

test("what changed shows within half a second, under another tag of its content", async () => {
  const before = await readerPage({ code: code() });
  expect(await shown()).toContain("Fires");
  Object.assign(world, { title: "Dams", found: { root: "bog", stamp: "2" } });
  await vi.advanceTimersByTimeAsync(500);
  expect(await shown()).toContain("Dams");
  expect((await readerPage({ code: code() }))!.etag).not.toBe(before!.etag);
});

test("what is no longer shared is gone within half a second; a search engine is only let in where it is public", async () => {
  expect((await readerPage({ code: code() }))!.noindex).toBe(true);
  Object.assign(world, { audience: "public", found: { root: "bog", stamp: "2" } });
  await vi.advanceTimersByTimeAsync(500);
  expect((await readerPage({ code: code() }))!.noindex).toBe(false);
  await vi.advanceTimersByTimeAsync(500);
  world.found = null;
  expect(await readerPage({ code: code() })).toBeNull();
});

test("what it is not compared by, like the name of the team, is looked at each minute", async () => {
  await readerPage({ code: code() });
  world.title = "Fires, and dams inside";
  await vi.advanceTimersByTimeAsync(59_000);
  expect(await shown()).not.toContain("dams inside");
  await vi.advanceTimersByTimeAsync(1_000);
  expect(await shown()).toContain("dams inside");
});

const text = async () => new TextDecoder().decode((await readerPage({ code: code() }))!.bytes);
const AS_IT_WAS = "This page is as it was a moment ago";

test("while the database is away readers see their page as it was, with a word that it is, for five minutes", async () => {
  const before = await readerPage({ code: code() });
  world.away = "refused";
  await vi.advanceTimersByTimeAsync(500);
  expect(await text()).toContain(AS_IT_WAS);
  expect((await readerPage({ code: code() }))!.etag).not.toBe(before!.etag);
  await vi.advanceTimersByTimeAsync(5 * 60_000 - 1_000);
  expect(await text()).toContain("Fires");
  await vi.advanceTimersByTimeAsync(1_000);
  // By now it may not be shared any more.
  await expect(readerPage({ code: code() })).rejects.toThrow("away");
  world.away = "";
  expect(await text()).not.toContain(AS_IT_WAS);
});

test("a database that says nothing is waited for two seconds; who has nothing to be shown yet waits eight, and is told so", async () => {
  await readerPage({ code: code() });
  world.away = "silent";
  await vi.advanceTimersByTimeAsync(500);
  const asking = text();
  await vi.advanceTimersByTimeAsync(2_000);
  expect(await asking).toContain(AS_IT_WAS);
  const first = expect(readerPage({ code: `${code()}-other` })).rejects.toThrow("No answer in time");
  await vi.advanceTimersByTimeAsync(8_000);
  await first;
});
