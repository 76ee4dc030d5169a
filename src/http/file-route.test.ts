import { Readable } from "node:stream";
import { afterAll, expect, test, vi } from "vitest";

const content = Buffer.from("0123456789");
vi.mock("@/outside/files", () => ({
  openFile: async (hash: string, range = { start: 0, end: content.length - 1 }) =>
    hash === "gone"
      ? null
      : { stream: Readable.from([content.subarray(range.start, range.end + 1)]), bytes: content.length },
}));
vi.mock("@/services/files/read", () => ({ readFile: null }));
vi.mock("@/services/files/uploads", () => ({ handleUpload: null }));
vi.mock("@/services/accounts/actor-of-request", () => ({ actorOf: null }));
vi.mock("./answer", () => ({}));
const { sendFile } = await import("./file-route");
afterAll(() => void vi.resetModules());

const send = (
  type: string,
  headers: Record<string, string> = {},
  { query = "", hash = "h".repeat(64) } = {},
) =>
  sendFile(new Request(`https://hobbin.example/api/file/x${query}`, { headers }), {
    hash,
    name: "Field “book”, März.pdf",
    type,
    bytes: content.length,
  });

test("only what cannot run anything is shown in place; everything else is saved, and none can be taken for another type", async () => {
  for (const type of ["application/pdf", "image/png", "video/mp4", "audio/ogg", "text/plain"]) {
    const answer = await send(type);
    expect(answer.headers.get("content-disposition"), type).toMatch(/^inline/);
    expect(answer.headers.get("x-content-type-options")).toBe("nosniff");
  }
  for (const type of [
    "text/html",
    "image/svg+xml",
    "application/xhtml+xml",
    "text/xml",
    "application/javascript",
    "text/plain+html",
  ]) {
    const answer = await send(type);
    expect(answer.headers.get("content-disposition"), type).toMatch(/^attachment/);
    expect(answer.headers.get("content-security-policy")).toContain("sandbox");
  }
  expect((await send("image/png", {}, { query: "?save" })).headers.get("content-disposition")).toMatch(
    /^attachment/,
  );
});

/** RFC 6266 §4.3 and its appendix D; RFC 8187 §3.2 for the extended value. */
test("the name is given plainly for old clients, and as it is beside that", async () => {
  expect((await send("text/plain")).headers.get("content-disposition")).toBe(
    `inline; filename="Field _book_, M_rz.pdf"; filename*=UTF-8''Field%20%E2%80%9Cbook%E2%80%9D%2C%20M%C3%A4rz.pdf`,
  );
});

/** RFC 9110 §14.4, §15.3.7 and §15.5.17. */
test("a range is answered with its bytes and where they lie; one beyond the end says how long the file is", async () => {
  const part = await send("video/mp4", { range: "bytes=2-4" });
  expect([part.status, part.headers.get("content-range"), part.headers.get("content-length")]).toEqual([
    206,
    "bytes 2-4/10",
    "3",
  ]);
  expect(await part.text()).toBe("234");
  const beyond = await send("video/mp4", { range: "bytes=10-" });
  expect([beyond.status, beyond.headers.get("content-range")]).toEqual([416, "bytes */10"]);
  const several = await send("video/mp4", { range: "bytes=0-1,4-5" });
  expect([several.status, await several.text()]).toEqual([200, "0123456789"]);
});

/** RFC 9110 §13.1.5 and §13.2.2: a range of what has changed since is the whole; what one has comes before ranges. */
test("a range goes with what it is a range of", async () => {
  const etag = (await send("video/mp4")).headers.get("etag")!;
  const same = await send("video/mp4", { range: "bytes=2-4", "if-range": etag });
  const other = await send("video/mp4", { range: "bytes=2-4", "if-range": '"another"' });
  const had = await send("video/mp4", { range: "bytes=2-4", "if-none-match": etag });
  expect([same.status, other.status, had.status]).toEqual([206, 200, 304]);
  expect(await other.text()).toBe("0123456789");
});

test("what the browser has is not sent again; what is no longer there is not found", async () => {
  const etag = (await send("image/png")).headers.get("etag")!;
  const again = await send("image/png", { "if-none-match": etag });
  expect([again.status, await again.text()]).toEqual([304, ""]);
  expect((await send("image/png", {}, { hash: "gone" })).status).toBe(404);
});
