import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Refusal } from "./call";

// What is under way is known to the whole page; another test may have left something so.
vi.resetModules();
const { ask, call, callInTurn, isUnderWay, settled } = await import("./call");

type Sent = {
  path: string;
  body: unknown;
  answer: (status: number, body?: unknown) => Promise<void>;
  lose: () => void;
};
let sent: Sent[] = [];
/** Lets everything happen that waits for nothing. */
const turn = () => new Promise<void>((resolve) => setTimeout(resolve));

beforeEach(() => {
  sent = [];
  vi.stubGlobal(
    "fetch",
    (path: string, { body }: { body: string }) =>
      new Promise<Response>((resolve, reject) =>
        sent.push({
          path,
          body: JSON.parse(body),
          answer: (status, body = {}) => (resolve(Response.json(body, { status })), turn()),
          lose: () => reject(new TypeError("no connection")),
        }),
      ),
  );
});
afterEach(() => vi.unstubAllGlobals());

const move = (placement: string) => callInTurn("placements.move", { placement });

test("what follows each other quickly arrives in its order, whatever becomes of the one before", async () => {
  const first = move("a");
  const second = expect(move("b")).rejects.toMatchObject({ status: 409, detail: "Somebody was here" });
  const third = move("c");
  await turn();
  expect(sent.map((one) => one.body)).toEqual([{ placement: "a" }]);
  await sent[0]!.answer(200);
  await first;
  expect(sent).toHaveLength(2);
  await sent[1]!.answer(409, { detail: "Somebody was here" });
  await second;
  expect(sent).toHaveLength(3);
  await sent[2]!.answer(200);
  await third;
  expect(isUnderWay()).toBe(false);
});

test("whoever waits until all has settled waits for what is still to be sent too", async () => {
  const moves = Promise.allSettled([move("a"), move("b")]);
  let isSettled = false;
  const all = settled().then(() => (isSettled = true));
  await turn();
  await sent[0]!.answer(200);
  expect([isSettled, isUnderWay()]).toEqual([false, true]);
  await sent[1]!.answer(500);
  await moves;
  await all;
  expect(isUnderWay()).toBe(false);
});

test("looking something up is nothing under way", async () => {
  const read = ask("tray.read", { team: "moss" });
  await turn();
  expect([sent.length, isUnderWay()]).toEqual([1, false]);
  await settled();
  await sent[0]!.answer(200, { count: 3 });
  expect(await read).toEqual({ count: 3 });
});

const refused = async (promise: Promise<unknown>) => {
  const error = await promise.then(
    () => null,
    (error: unknown) => error as Refusal,
  );
  return { status: error?.status, detail: error?.detail, fields: error?.fields };
};

test("problem details become a refusal, with what is wrong by field (RFC 9457, RFC 6901 pointers)", async () => {
  const refusal = refused(call("collections.make", { team: "moss", title: "" }));
  await turn();
  await sent[0]!.answer(422, {
    detail: "Something needs another look",
    errors: [{ detail: "Give a title.", pointer: "#/title" }],
  });
  expect(await refusal).toEqual({
    status: 422,
    detail: "Something needs another look",
    fields: { title: "Give a title." },
  });
});

test("a server that cannot be reached, or says nothing one can read, is a refusal in words too", async () => {
  const lost = refused(call("collections.make", { team: "moss", title: "Fire" }));
  const broken = refused(call("collections.make", { team: "moss", title: "Fire" }));
  await turn();
  sent[0]!.lose();
  await sent[1]!.answer(502, "<html>");
  expect(await lost).toMatchObject({ status: 0, detail: expect.stringContaining("Nothing is lost") });
  expect(await broken).toMatchObject({ status: 502, detail: "Something went wrong." });
});
