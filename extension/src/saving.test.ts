import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { newId, type Pairing } from "./api";
import { area } from "../../tests/units/fake-browser";
import { recentPlaces, save, sendWaiting, takeBack, waiting, type Wish } from "./saving";

const pairing: Pairing = { address: "http://hobbin.example", token: "t", person: "Ama" };
const place = { team: "team", collection: "bog", title: "The bog" };
const page: Wish = { what: "page", place, title: "Sundew", address: "https://moss.example/sundew" };

/** The browser's storage, what was sent, and what Hobbin answers; null when it cannot be reached. */
let storage: Record<string, unknown>;
let sent: { name: string; input: Record<string, unknown> }[];
let answer: ((name: string) => { status: number; body: object }) | null;
const captured = () => ({
  status: 200,
  body: { resource: { id: "r" }, item: { id: "i" }, already: false, places: [] },
});

beforeEach(() => {
  storage = {};
  sent = [];
  answer = captured;
  vi.stubGlobal("chrome", { storage: { local: area(storage) } });
  vi.stubGlobal("fetch", async (address: string, { body }: { body: string }) => {
    if (!answer) throw new TypeError("Failed to fetch");
    const name = address.split("/").at(-1)!;
    sent.push({ name, input: JSON.parse(body) as Record<string, unknown> });
    const { status, body: said } = answer(name);
    return new Response(JSON.stringify(said), { status });
  });
});
afterAll(() => void vi.unstubAllGlobals());

test("a page goes to its place with an id of its own, and only with what is known of it", async () => {
  const saved = await save(pairing, { ...page, note: "", tags: ["bog"] }, "id-1");
  expect(saved).toMatchObject({ id: "id-1", resource: "r", placement: "i", waits: false });
  expect(sent).toEqual([
    {
      name: "capture.page",
      input: {
        team: "team",
        collection: "bog",
        placement: "id-1",
        address: page.address,
        title: "Sundew",
        tags: ["bog"],
      },
    },
  ]);
});

test("without a connection it waits under the same id, is sent once it is back, and then waits no more", async () => {
  answer = null;
  expect(await save(pairing, page, "id-1")).toMatchObject({ waits: true, placement: null });
  expect(await sendWaiting(pairing)).toBe(1);
  answer = captured;
  expect(await sendWaiting(pairing)).toBe(0);
  expect(sent.map(({ input }) => input.placement)).toEqual(["id-1"]);
  expect(await sendWaiting(pairing)).toBe(0);
  expect(sent).toHaveLength(1);
});

test("when the server is in trouble it waits too; what it refuses is said at once and does not wait", async () => {
  answer = () => ({ status: 503, body: {} });
  expect((await save(pairing, page)).waits).toBe(true);
  answer = () => ({ status: 422, body: { errors: [{ detail: "Give an address." }] } });
  await expect(save(pairing, page)).rejects.toEqual({ status: 422, words: "Give an address." });
  expect(await waiting()).toHaveLength(1);
  // What waited and is refused later goes out of the way of the others, and is kept to be said.
  expect(await sendWaiting(pairing)).toBe(0);
  const refused = Object.entries(storage).filter(([key]) => key.startsWith("refused:"));
  expect(refused.map(([, one]) => one)).toEqual([
    { title: "Sundew", address: page.address, words: "Give an address." },
  ]);
});

test("what waits is taken back before it is sent; what was placed leaves its place; the rest is put away", async () => {
  answer = null;
  const waiting = await save(pairing, page, "id-1");
  answer = captured;
  await takeBack(pairing, waiting);
  expect(await sendWaiting(pairing)).toBe(0);
  expect(sent).toEqual([]);
  await takeBack(pairing, { ...waiting, waits: false, placement: "i" });
  await takeBack(pairing, { ...waiting, waits: false, resource: "r" });
  expect(sent.map(({ name }) => name)).toEqual(["placements.remove", "tray.set"]);
});

test("two that save at the same moment both wait; what is saved or taken back while the others are sent is not lost", async () => {
  answer = null;
  await Promise.all(Array.from({ length: 10 }, (_, i) => save(pairing, { ...page, title: `Page ${i}` })));
  expect(await waiting()).toHaveLength(10);
  // While they are sent one more is saved, and the one on its way is taken back.
  const first = await save(pairing, { ...page, title: "Taken back" }, "0-before-all");
  let seen = 0;
  answer = (name) => {
    if (name === "capture.page" && seen++ === 0) {
      void takeBack(pairing, first);
      answer = null;
      void save(pairing, { ...page, title: "Saved meanwhile" });
      answer = captured;
    }
    return captured();
  };
  await sendWaiting(pairing);
  await sendWaiting(pairing);
  expect(await waiting()).toEqual([]);
  const titles = sent.flatMap(({ name, input }) => (name === "capture.page" ? [input.title] : []));
  expect(titles).toHaveLength(12);
  expect(sent.filter(({ name }) => name === "placements.remove")).toHaveLength(1);
});

test("what waited in the list of an earlier version is sent too", async () => {
  storage.waiting = [{ id: "id-old", wish: page }];
  expect(await sendWaiting(pairing)).toBe(0);
  expect(sent.map(({ input }) => input.placement)).toEqual(["id-old"]);
});

test("places are remembered, the last first, each once, eight at the most", async () => {
  for (let i = 0; i < 10; i++) await save(pairing, { ...page, place: { ...place, collection: `c${i}` } });
  await save(pairing, { ...page, place: { ...place, collection: "c5" } });
  const recent = (await recentPlaces()).map((one) => one.collection);
  expect(recent).toEqual(["c5", "c9", "c8", "c7", "c6", "c4", "c3", "c2"]);
});

/** RFC 9562 § 5.7 and § 4.1: version 7, variant 10, the time in front. */
test("its ids are UUIDs of version 7", () => {
  const [one, other] = [newId(), newId()];
  expect(one).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  expect(one).not.toBe(other);
  expect(Math.abs(parseInt(one.replace("-", "").slice(0, 12), 16) - Date.now())).toBeLessThan(5_000);
});
