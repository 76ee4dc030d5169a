import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { deliver, delivered, deliverFor } from "./deliver";
import { toastsBy } from "./toast";

type Sent = { input: Record<string, unknown>; answer: (status: number, body?: object) => Promise<void> };
let sent: Sent[];
let shown: { words: string; more?: { description?: string; action?: { onClick: () => void } } }[];
const turn = () => new Promise<void>((resolve) => setTimeout(resolve));

beforeEach(() => {
  sent = [];
  shown = [];
  localStorage.clear();
  toastsBy((_, words, more) => shown.push({ words, more: more as never }));
  vi.stubGlobal(
    "fetch",
    (_: string, { body }: { body: string }) =>
      new Promise((resolve, reject) =>
        sent.push({
          input: JSON.parse(body) as Record<string, unknown>,
          answer: async (status, said = {}) => {
            if (status) resolve(new Response(JSON.stringify(said), { status }));
            else reject(new TypeError("no connection"));
            await turn();
          },
        }),
      ),
  );
  deliverFor("ama");
});
afterAll(() => {
  vi.unstubAllGlobals();
  toastsBy(null);
});

let no = 0;
/** A context line, on its way. */
function write(context: string, key = `key ${++no}`) {
  const done = vi.fn();
  const failed = vi.fn();
  void deliver("placements.edit", { placement: "p", context }, key, context).then(done, failed);
  return { key, done, failed };
}
const kept = () =>
  Object.keys(localStorage).map(
    (name) => (JSON.parse(localStorage.getItem(name)!) as { words: string }).words,
  );
const back = async () => {
  window.dispatchEvent(new Event("online"));
  await turn();
};

test("what is written is in the browser until it has been answered", async () => {
  const { done } = write("Read it");
  expect(kept()).toEqual(["Read it"]);
  await sent[0]!.answer(200);
  expect([kept(), done.mock.calls.length]).toEqual([[], 1]);
});

test.each([0, 502, 503, 504])(
  "a server that is away (%i) is waited for, said once, and told when it is back",
  async (status) => {
    const { done, failed } = write("Read it");
    await sent[0]!.answer(status);
    expect(shown).toMatchObject([{ words: "Hobbin cannot be reached just now." }]);
    expect(shown[0]!.more!.description).toContain("waits in this browser");
    await back();
    await sent[1]!.answer(status);
    expect([shown.length, done.mock.calls.length, failed.mock.calls.length, kept()]).toEqual([
      1,
      0,
      0,
      ["Read it"],
    ]);
    await back();
    await sent[2]!.answer(200);
    expect(shown.at(-1)!.words).toBe("Hobbin is back. Everything has been sent.");
    expect([done.mock.calls.length, kept()]).toEqual([1, []]);
  },
);

test("of one text only the last waits, and whoever saved the earlier hears of it too", async () => {
  const first = write("Read", "text");
  const second = write("Read it", "text");
  const third = write("Read it twice", "text");
  expect([sent.length, kept()]).toEqual([1, ["Read it twice"]]);
  await sent[0]!.answer(0);
  await back();
  expect(sent.map(({ input }) => input.context)).toEqual(["Read", "Read it twice"]);
  await sent[1]!.answer(200);
  for (const one of [first, second, third]) expect(one.done).toHaveBeenCalledTimes(1);
  expect(kept()).toEqual([]);
});

test("what is refused for good waits no longer", async () => {
  const { failed } = write("x");
  await sent[0]!.answer(404, { detail: "There is nothing here" });
  expect([failed.mock.calls.length, kept(), shown]).toEqual([1, [], []]);
});

test("what an earlier visit left is sent by whom it is, and what is refused then is said with its words", async () => {
  const parcel = (person: string, words: string) =>
    JSON.stringify({
      name: "placements.edit",
      input: { placement: "p", context: words, base: {} },
      words,
      person,
    });
  localStorage.setItem("hobbin-on-its-way:left 1", parcel("ama", "Mine"));
  localStorage.setItem("hobbin-on-its-way:left 2", parcel("bo", "Somebody else's"));
  deliverFor("ama");
  expect(sent.map(({ input }) => input.context)).toEqual(["Mine"]);
  const error = {
    detail: "Somebody else changed the same words meanwhile.",
    pointer: "#/context",
    now: "Theirs",
  };
  await sent[0]!.answer(409, { errors: [error] });
  expect(shown[0]!.words).toBe("Not saved: “Mine”");
  expect(shown[0]!.more!.description).toContain("It says “Theirs” now.");
  // Who tries again has read what stands there.
  shown[0]!.more!.action!.onClick();
  expect(sent[1]!.input.base).toEqual({ context: "Theirs" });
  expect(kept()).toEqual(["Somebody else's"]);
});

test("who leaves the page leaves nothing behind that could go", async () => {
  write("first", "leaving");
  write("second", "leaving");
  window.dispatchEvent(new Event("pagehide"));
  expect(sent.map(({ input }) => input.context)).toEqual(["first", "second"]);
  for (const one of [...sent]) await one.answer(200);
  await sent.at(-1)!.answer(200);
});

test("what closes something waits for all that was written about it, over a server that is away, and for nothing else", async () => {
  const closed = vi.fn();
  write("First", "sheet:1:a");
  write("Elsewhere", "sheet:2:a");
  void delivered("sheet:1:").then(closed);
  await sent[0]!.answer(0);
  write("More", "sheet:1:a");
  await turn();
  expect(closed).not.toHaveBeenCalled();
  await back();
  await sent[2]!.answer(200);
  await turn();
  expect(sent[2]!.input).toMatchObject({ context: "More" });
  expect(closed).toHaveBeenCalledOnce();
});
