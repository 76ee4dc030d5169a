import { afterAll, beforeEach, expect, test, vi } from "vitest";
import type { Waiting } from "./waiting";

/** The device, what was sent, and what Hobbin says: 0 when it cannot be reached. */
const device = new Map<string, Waiting>();
let sent: { action: string; input: Record<string, unknown> }[] = [];
let status = 200;

vi.mock("idb-keyval", () => ({
  createStore: () => null,
  set: async (id: string, one: Waiting) => void device.set(id, one),
  del: async (id: string) => void device.delete(id),
  entries: async () => [...device],
}));
const { keep, send, sendWaiting } = await import("./waiting");

beforeEach(() => {
  device.clear();
  sent = [];
  status = 200;
  vi.stubGlobal("fetch", async (path: string, { body }: { body: string }) => {
    if (!status) throw new TypeError("no connection");
    sent.push({ action: path.split("/").at(-1)!, input: JSON.parse(body) as Record<string, unknown> });
    // One of them is refused for good.
    const now = (sent.at(-1)!.input.text as string | undefined)?.includes("refused") ? 422 : status;
    return Response.json({ resource: { id: "page" } }, { status: now });
  });
});
afterAll(() => void vi.unstubAllGlobals());

const one = (more: Partial<Waiting>): Waiting => ({
  id: "id-1",
  team: "moss",
  address: "",
  title: "",
  text: "",
  tags: [],
  ...more,
});

test.each([
  ["an address", { address: "https://bog.example", tags: ["fire"] }, ["capture.page"]],
  [
    "an address with words",
    { address: "https://bog.example", text: "Read this", tags: ["fire"] },
    ["capture.note", "tags.add"],
  ],
  ["words", { text: "Mind the dam" }, ["capture.note"]],
])("%s goes the way made for it", async (_, what, actions) => {
  await send(one(what));
  expect(sent.map(({ action }) => action)).toEqual(actions);
});

test("words with an address say where they are from; a place is only named where one was chosen", async () => {
  await send(one({ address: "https://bog.example", title: "The bog", text: "Read this" }));
  expect(sent[0]!.input).toEqual({
    team: "moss",
    text: "Read this",
    source: "https://bog.example",
    sourceTitle: "The bog",
  });
  await send(one({ text: "Read this", collection: "bog" }));
  // The same id each time it is sent, so that what arrived after all does not stand twice.
  expect(sent[1]!.input).toMatchObject({ collection: "bog", placement: "id-1" });
});

test("what waits goes in the order it came; what cannot be delivered waits on, with all behind it", async () => {
  for (const id of ["id-2", "id-1", "id-3"]) await keep(one({ id, text: id }));
  status = 0;
  expect(await sendWaiting()).toBe(3);
  status = 503;
  expect(await sendWaiting()).toBe(3);
  sent = [];
  status = 200;
  expect(await sendWaiting()).toBe(0);
  expect(sent.map(({ input }) => input.text)).toEqual(["id-1", "id-2", "id-3"]);
  expect(device.size).toBe(0);
});

test("what is refused for good stays, so that nothing typed is lost, and the others go on", async () => {
  await keep(one({ id: "id-1", text: "refused" }));
  await keep(one({ id: "id-2", text: "taken" }));
  expect(await sendWaiting()).toBe(1);
  expect([...device.keys()]).toEqual(["id-1"]);
});
