import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { LINES_AT_ONCE } from "@/core/imports/check-lines";
import { findKnown, sendImport } from "./send-import";

type Sent = { action: string; body: Record<string, unknown> & { lines?: unknown[] } };
let sent: Sent[] = [];
/** What the server says to each request in turn; 200 when there is nothing more. */
let answers: number[] = [];

beforeEach(() => {
  vi.useFakeTimers();
  sent = [];
  answers = [];
  vi.stubGlobal("fetch", async (path: string, { body }: { body: string }) => {
    const input = JSON.parse(body) as Sent["body"] & { addresses?: string[] };
    sent.push({ action: path.split("/").at(-1)!, body: input });
    const status = answers.shift() ?? 200;
    if (status === 0) throw new TypeError("no connection");
    return Response.json(
      { known: input.addresses?.map((one) => (one.endsWith("7") ? "id" : null)) },
      { status },
    );
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const lines = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ address: `https://bog.example/${i}` })) as never[];
const send = (count: number, onSent?: (lines: number) => void) =>
  sendImport(
    { team: "moss" },
    "list.txt",
    { places: [], lines: lines(count), separator: "none" } as never,
    onSent,
  );

test("a list goes in numbered parts, under one id, and is then begun", async () => {
  const arrived: number[] = [];
  const id = await send(2 * LINES_AT_ONCE + 3, (count) => arrived.push(count));
  expect(sent.map(({ action, body }) => [action, body.no ?? body.transition ?? body.total])).toEqual([
    ["imports.stage", 2 * LINES_AT_ONCE + 3],
    ["imports.add-lines", 0],
    ["imports.add-lines", 1],
    ["imports.add-lines", 2],
    ["imports.set", "start"],
  ]);
  expect(new Set(sent.map(({ body }) => body.import))).toEqual(new Set([id]));
  expect(sent.flatMap(({ body }) => body.lines ?? [])).toEqual(lines(2 * LINES_AT_ONCE + 3));
  expect(arrived).toEqual([LINES_AT_ONCE, 2 * LINES_AT_ONCE, 2 * LINES_AT_ONCE + 3]);
});

test("a part that does not arrive is sent again as it was, with longer waits; half a minute later it is an error", async () => {
  answers = [200, 0, 503, 200];
  const passing = send(1);
  await vi.advanceTimersByTimeAsync(3_000);
  await passing;
  const parts = sent.filter(({ action }) => action === "imports.add-lines");
  expect(parts).toHaveLength(3);
  expect(new Set(parts.map((part) => JSON.stringify(part)))).toHaveLength(1);

  answers = Array<number>(20).fill(0);
  const failing = expect(send(1)).rejects.toMatchObject({ status: 0 });
  await vi.advanceTimersByTimeAsync(31_000);
  await failing;
  expect(answers).toHaveLength(14);
});

test("what is refused is not sent again", async () => {
  answers = [422];
  await expect(send(1)).rejects.toMatchObject({ status: 422 });
  expect(sent).toHaveLength(1);
});

test("of thousands of addresses it is asked part by part which are known, in their order", async () => {
  const known = await findKnown(
    "moss",
    Array.from({ length: 6_000 }, (_, i) => `https://bog.example/${i}`),
  );
  expect(sent).toHaveLength(3);
  expect(known).toHaveLength(6_000);
  expect([known[7], known[5_997], known[5_998]]).toEqual(["id", "id", null]);
});
