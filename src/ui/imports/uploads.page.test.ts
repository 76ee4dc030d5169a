import { act, renderHook, waitFor } from "@testing-library/react";
import { afterAll, beforeEach, expect, test, vi } from "vitest";
import type * as Uploads from "./uploads";

/** Uploads by the tus protocol, each of which goes on when the test says so. */
type Tus = {
  file: File;
  options: {
    metadata: object;
    onProgress: (sent: number) => void;
    onShouldRetry: (error: object) => boolean;
    onError: (error: Error) => void;
    onSuccess: () => void;
  };
  resumed: unknown;
  started: boolean;
};
const going = vi.hoisted(() => [] as Tus[]);
const earlier = vi.hoisted(() => ({ uploads: [] as object[] }));
vi.mock("tus-js-client", () => ({
  Upload: class {
    url = "/api/files/upload-1";
    resumed: unknown = null;
    started = false;
    constructor(
      readonly file: File,
      readonly options: Tus["options"],
    ) {
      going.push(this as never);
    }
    findPreviousUploads = async () => earlier.uploads;
    resumeFromPreviousUpload = (one: unknown) => (this.resumed = one);
    start = () => (this.started = true);
  },
}));
let answers: Record<string, { status: number; body: object }>;
let begun = Promise.resolve();
const asked: { name: string; input: Record<string, unknown> }[] = [];
/** Begun anew for each test: what is on its way is remembered as long as the page is. */
let uploads: typeof Uploads;
beforeEach(async () => {
  vi.resetModules();
  uploads = await import("./uploads");
  going.length = asked.length = earlier.uploads.length = 0;
  answers = { "capture.file": { status: 200, body: { already: false, places: [] } } };
  vi.stubGlobal("fetch", async (path: string, { body }: { body: string }) => {
    const name = path.split("/").at(-1)!;
    asked.push({ name, input: JSON.parse(body) });
    // Of two that ask for a module at the same moment the second would get the real one, not the stand-in.
    if (name === "files.begin")
      await (begun = begun.then(() => new Promise((resolve) => setTimeout(resolve))));
    const { status, body: said } = answers[name] ?? { status: 200, body: {} };
    return Response.json(said, { status });
  });
});
afterAll(() => (vi.unstubAllGlobals(), vi.resetModules()));

const files = (...names: string[]) => names.map((name) => new File(["words"], name));
const WHERE = { team: "moss", collection: "bog", section: "plants" };
function sending(names: string[], onDone = vi.fn()) {
  const { result } = renderHook(() => uploads.useUploads());
  act(() => uploads.sendFiles(files(...names), WHERE, onDone));
  return {
    onDone,
    states: () => result.current.map((one) => one.state).join(" "),
    all: () => result.current,
  };
}
const until = (what: () => void) => waitFor(what);

// The first, as an upload that is left lying goes on asking.
test("who leaves the page while a file is on its way is asked first, and not before or after", async () => {
  const leaves = () => {
    const event = new Event("beforeunload", { cancelable: true });
    window.dispatchEvent(event);
    return event.defaultPrevented;
  };
  expect(leaves()).toBe(false);
  const { states } = sending(["a.pdf"]);
  expect(leaves()).toBe(true);
  await until(() => expect(going).toHaveLength(1));
  await act(async () => going[0]!.options.onSuccess());
  await until(() => expect(states()).toBe("done"));
  expect(leaves()).toBe(false);
});

test("what was begun before goes on where it stopped", async () => {
  earlier.uploads.push({ at: 8 });
  sending(["a.pdf"]);
  await until(() => expect(going[0]?.started).toBe(true));
  expect(going[0]!.resumed).toEqual({ at: 8 });
});

test("two are on their way at a time, and each is in its place when it has arrived", async () => {
  const { onDone, states } = sending(["a.pdf", "b.pdf", "c.pdf"]);
  await until(() => expect(going).toHaveLength(2));
  expect(going.every((one) => one.started)).toBe(true);
  act(() => going[0]!.options.onProgress(3));
  expect(states()).toBe("sending waiting waiting");
  await act(async () => going[0]!.options.onSuccess());
  await until(() => expect(going).toHaveLength(3));
  expect(states()).toBe("done waiting waiting");
  expect(asked.find((one) => one.name === "capture.file")!.input).toMatchObject({
    ...WHERE,
    upload: "upload-1",
  });
  for (const one of going.slice(1)) await act(async () => one.options.onSuccess());
  await until(() => expect(states()).toBe("done done done"));
  expect(onDone).toHaveBeenCalledTimes(3);
  act(uploads.clearDone);
  expect(states()).toBe("");
});

test("a connection that breaks and a server in trouble are tried again and said meanwhile; a refusal is not", async () => {
  const { states } = sending(["a.pdf"]);
  await until(() => expect(going).toHaveLength(1));
  const again = (status: number | null) => {
    let tries = false;
    const originalResponse = status === null ? null : { getStatus: () => status };
    act(() => void (tries = going[0]!.options.onShouldRetry({ originalResponse })));
    return tries;
  };
  expect([null, 500, 503, 409, 423].map(again)).toEqual([true, true, true, true, true]);
  expect(states()).toBe("paused");
  // What is paused is not over, so it stays on the list.
  act(uploads.clearDone);
  expect(states()).toBe("paused");
  expect([400, 403, 413].map(again)).toEqual([false, false, false]);
  await act(async () =>
    going[0]!.options.onError(
      Object.assign(new Error("tus"), { originalResponse: { getBody: () => " The file is too large.\n" } }),
    ),
  );
  await until(() => expect(states()).toBe("failed"));
});

test("why one failed is said in the server's words, else what to do; the others go on", async () => {
  answers["files.begin"] = {
    status: 422,
    body: {
      detail: "Look at the fields.",
      errors: [{ pointer: "#/bytes", detail: "The team has no more room." }],
    },
  };
  const full = sending(["a.pdf"]);
  await until(() => expect(full.all().at(-1)!.words).toBe("The team has no more room."));
  expect(going).toHaveLength(0);
  answers = { "capture.file": answers["capture.file"]! };
  const lost = sending(["b.pdf"]);
  await until(() => expect(going).toHaveLength(1));
  await act(async () => going[0]!.options.onError(new Error("lost")));
  await until(() => expect(lost.all().at(-1)!.words).toMatch(/^It did not arrive\. Send it again/));
});

test("a file the team has already says where it stands", async () => {
  answers["capture.file"] = {
    status: 200,
    body: { already: true, places: [{ title: "The bog" }, { title: "The fen" }] },
  };
  const { all } = sending(["a.pdf"]);
  await until(() => expect(going).toHaveLength(1));
  await act(async () => going[0]!.options.onSuccess());
  await until(() =>
    expect(all().at(-1)).toMatchObject({ state: "known", words: "Stands in The bog, The fen already" }),
  );
});
