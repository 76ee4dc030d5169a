import { afterAll, beforeEach, expect, test, vi } from "vitest";
import type { Fetched } from "@/outside/fetch/fetch-guarded";

const web = vi.hoisted(() => ({
  /** What each address answers. */
  answers: {} as Record<string, object>,
  /** What was asked for, and whether a person asked. */
  asked: [] as [string, boolean][],
  page: {} as object,
  stored: {} as Record<string, Buffer>,
}));
vi.mock("@/outside/settings", () => ({ settings: () => ({ fetchAllow: "" }) }));
vi.mock("@/outside/fetch/fetch-guarded", () => ({
  fetchGuarded: async (address: string, { asked }: { asked: boolean }): Promise<Fetched> => {
    web.asked.push([address, asked]);
    const answer = web.answers[address];
    if (!answer) return { ok: false, address, problem: "not-found" };
    return { ok: true, address, status: 200, headers: {}, body: Buffer.from(""), ...answer } as Fetched;
  },
}));
vi.mock("@/outside/files", () => ({
  storeFile: async (content: Buffer) => `stored ${content.toString()}`,
  readStored: async (hash: string) => web.stored[hash] ?? null,
}));
// What begins with "picture" is one.
vi.mock("@/outside/pictures", () => ({
  makeThumbnail: async (body: Buffer) => (body.toString().startsWith("picture") ? body : null),
}));
vi.mock("@/outside/threads/in-thread", () => ({
  factsInThread: async ({ body, contentType }: { body: Buffer; contentType: string }) => ({
    title: body.toString(),
    contentType,
    pictures: [],
    oembed: null,
    ...web.page,
  }),
  TooSlow: class extends Error {},
  copyInThread: async () => ({ html: "<p>copy</p>", text: "copy", signature: "" }),
}));
vi.mock("@/outside/documents/read-document", () => ({
  readDocument: async () => ({
    words: 900,
    pages: 3,
    seconds: null,
    copy: null,
    picture: Buffer.from("picture of page 1"),
  }),
}));
const { fetchPicture, readAddressOf, readSeen } = await import("./read-page");
afterAll(() => void vi.resetModules());

beforeEach(() => Object.assign(web, { answers: {}, asked: [], page: {}, stored: {} }));
const AT = "https://bog.example/page";
const answer = (type: string, body = "", more: object = {}) =>
  (web.answers[AT] = { headers: { "content-type": type }, body: Buffer.from(body), ...more });
const read = () => readAddressOf(AT);

test("a page is read and copied, whatever its server adds to its type, and where it names none", async () => {
  for (const type of ["text/html", "TEXT/HTML; charset=koi8-r", "application/xhtml+xml", ""]) {
    answer(type, "<!doctype html><title>Bog");
    expect(await read(), type).toMatchObject({ ok: true, origin: "fetched", copy: { text: "copy" } });
  }
  answer("", "no page at all");
  expect(await read()).toEqual({ ok: false, problem: "not-a-page" });
});

test("a file is told by its type: a picture is kept small, a document is read", async () => {
  answer("image/jpeg", "picture of a dam");
  expect(await read()).toMatchObject({
    ok: true,
    facts: { kind: "picture" },
    picture: { hash: "stored picture of a dam", bytes: 16 },
  });
  answer("application/pdf");
  expect(await read()).toMatchObject({
    ok: true,
    facts: { kind: "document", words: 900, pages: 3 },
    picture: { hash: "stored picture of page 1" },
  });
  answer("application/x-unheard-of");
  expect(await read()).toEqual({ ok: false, problem: "not-a-page" });
});

test("what is too large to fetch is what its ending says; what went wrong otherwise is said", async () => {
  web.answers["https://bog.example/dam.mp4"] = { ok: false, problem: "too-large" };
  expect(await readAddressOf("https://bog.example/dam.mp4")).toMatchObject({
    ok: true,
    facts: { kind: "video" },
  });
  web.answers["https://bog.example/curlew.MP3?x=1"] = { ok: false, problem: "too-large" };
  expect(await readAddressOf("https://bog.example/curlew.MP3?x=1")).toMatchObject({
    facts: { kind: "sound" },
  });
  web.answers[AT] = { ok: false, problem: "too-large" };
  expect(await read()).toMatchObject({ ok: false, problem: "too-large" });
  expect(await readAddressOf("https://gone.example/")).toMatchObject({ ok: false, problem: "not-found" });
});

test("of the pictures a page offers the first that is one is taken, after three it is let be", async () => {
  const offers = ["https://a.example/1", "https://a.example/2", "https://a.example/3", "https://a.example/4"];
  web.page = { pictures: offers };
  answer("text/html");
  web.answers[offers[0]!] = { body: Buffer.from("<html>") };
  web.answers[offers[2]!] = { body: Buffer.from("picture 3") };
  expect(await read()).toMatchObject({ picture: { hash: "stored picture 3" } });
  delete web.answers[offers[2]!];
  web.answers[offers[3]!] = { body: Buffer.from("picture 4") };
  expect(await read()).toMatchObject({ picture: null });
  expect(web.asked.filter(([address]) => address === offers[3])).toEqual([]);
});

test("only the address itself was asked for by a person; pictures and what describes a player ask robots.txt first", async () => {
  web.page = { oembed: "https://a.example/oembed", pictures: ["https://a.example/1"] };
  answer("text/html");
  await read();
  await fetchPicture("https://a.example/2");
  expect(web.asked).toEqual([
    [AT, true],
    ["https://a.example/oembed", false],
    ["https://a.example/1", false],
    ["https://a.example/2", false],
  ]);
});

test("a description of a player that is none, or is not there, takes nothing from the page", async () => {
  web.page = { oembed: "https://a.example/oembed", title: "Raising the boards" };
  answer("text/html");
  for (const body of ["<html>", "[]", "null", '"x"', ""]) {
    web.answers["https://a.example/oembed"] = { body: Buffer.from(body) };
    expect(await read(), body).toMatchObject({ ok: true, facts: { title: "Raising the boards" } });
  }
});

test("what somebody's browser showed is read as it was sent, and nothing is asked of its site for it", async () => {
  web.stored.seen = Buffer.from("<title>As I saw it");
  expect(await readSeen("seen", AT)).toMatchObject({ ok: true, origin: "seen", finalAddress: AT });
  expect(web.asked).toEqual([]);
  expect(await readSeen("gone", AT)).toEqual({ ok: false, problem: "internal" });
});
