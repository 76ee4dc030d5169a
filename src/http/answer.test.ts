import { afterAll, afterEach, expect, test, vi } from "vitest";
import { Problem } from "@/mechanism/problem";

const logged = vi.hoisted(() => [] as unknown[]);
vi.mock("@/outside/settings", () => ({ settings: () => ({ address: "https://hobbin.example" }) }));
vi.mock("@/outside/log", () => ({ log: { error: (about: unknown) => logged.push(about) } }));
const { answering, forExtension, json, mustBeOwnSite, preflight, readJson } = await import("./answer");

afterEach(() => void (logged.length = 0));
afterAll(() => void vi.resetModules());

const request = (headers: Record<string, string>, body = "{}", address = "https://hobbin.example/api/x") =>
  new Request(address, { method: "POST", headers, body });

test("every answer carries the id of its request; a problem names it too", async () => {
  const fine = await answering(async () => json({ ok: true }));
  expect(fine.headers.get("x-request-id")).toMatch(/^[0-9a-f-]{36}$/);
  expect(fine.headers.get("cache-control")).toBe("no-store");
  const refused = await answering(() => Promise.reject(new Problem("in-bin")));
  expect(refused.status).toBe(404);
  expect(refused.headers.get("content-type")).toBe("application/problem+json");
  expect(await refused.json()).toMatchObject({
    code: "in-bin",
    instance: `urn:uuid:${refused.headers.get("x-request-id")}`,
  });
  expect(logged).toEqual([]);
});

test("what nobody foresaw is logged under that id, and says nothing of the inside", async () => {
  const failed = await answering(() => Promise.reject(new Error("SELECT secret FROM person")));
  expect(failed.status).toBe(500);
  const text = await failed.text();
  expect(text).not.toContain("secret");
  expect(JSON.parse(text)).toMatchObject({ code: "failed", status: 500 });
  expect(logged).toMatchObject([{ request: failed.headers.get("x-request-id") }]);
});

const allowed = (headers: Record<string, string>, address?: string) => {
  try {
    mustBeOwnSite(request(headers, "{}", address));
    return true;
  } catch (error) {
    return (error as Problem).code;
  }
};

test("another site cannot have a browser change anything by the person's cookie", () => {
  const cookie = "session=1";
  expect(allowed({ origin: "https://hobbin.example", cookie })).toBe(true);
  expect(allowed({ origin: "https://evil.example", cookie })).toBe("other-site");
  expect(allowed({ origin: "https://hobbin.example.evil.example", cookie })).toBe("other-site");
  expect(allowed({ origin: "http://hobbin.example", cookie })).toBe("other-site");
  expect(allowed({ origin: "null", cookie })).toBe("other-site");
  // A program sends no origin; one with a token of its own needs no cookie.
  expect(allowed({})).toBe(true);
  expect(allowed({ origin: "https://evil.example", authorization: "Bearer x" })).toBe(true);
  // Reached by another name, as behind a proxy that hands it on.
  expect(
    allowed(
      { origin: "http://moss.localhost:4800", host: "moss.localhost:4800", cookie },
      "http://moss.localhost:4800/api/x",
    ),
  ).toBe(true);
});

test("an extension acts by its token, never by a cookie, and may read the answer", () => {
  const origin = "chrome-extension://abcdefghijklmnop";
  expect(allowed({ origin })).toBe(true);
  expect(allowed({ origin, cookie: "session=1" })).toBe("other-site");
  const answer = forExtension(request({ origin }), json({}));
  expect(answer.headers.get("access-control-allow-origin")).toBe(origin);
  expect(answer.headers.get("vary")).toBe("origin");
  const other = forExtension(request({ origin: "https://evil.example" }), json({}));
  expect(other.headers.has("access-control-allow-origin")).toBe(false);
  expect(preflight(request({ origin })).headers.get("access-control-allow-headers")).toContain(
    "authorization",
  );
});

const problemOf = (reading: Promise<unknown>) =>
  reading.then(
    () => null,
    (error: unknown) => (error as Problem).code,
  );

test("a body must be JSON, say so, and be no larger than 9 MB, whether it says how large it is or not", async () => {
  const type = { "content-type": "application/json; charset=utf-8" };
  expect(await readJson(request(type, '{"a": [1]}'))).toEqual({ a: [1] });
  expect(await readJson(request(type, ""))).toEqual({});
  expect(await problemOf(readJson(request({ "content-type": "text/plain" })))).toBe("not-sent-as-json");
  expect(await problemOf(readJson(request(type, "{")))).toBe("not-json");
  expect(await problemOf(readJson(request({ ...type, "content-length": "9000001" })))).toBe("too-large");
  expect(await problemOf(readJson(request(type, `"${"x".repeat(9_000_000)}"`)))).toBe("too-large");
});
