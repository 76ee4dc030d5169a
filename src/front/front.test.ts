import http from "node:http";
import type { AddressInfo } from "node:net";
import { gzipSync } from "node:zlib";
import { afterEach, expect, test } from "vitest";
import { LENGTH, ofLength } from "@/http/length";
import { requestId } from "@/outside/request-context";
import { ADDRESS, Front, type Handle } from "./front";

const fronts: Front[] = [];
afterEach(async () => {
  await Promise.all(fronts.splice(0).map((front) => front.stop(0)));
});
async function front(handle: Handle, more: { address?: string; proxies?: string } = {}) {
  const one = new Front(handle, { address: "http://localhost", proxies: "", ...more });
  fronts.push(one);
  await one.listen(0, "127.0.0.1");
  return { one, at: `http://127.0.0.1:${(one.server.address() as AddressInfo).port}` };
}
const echo: Handle = async (request, response) => {
  response.end(JSON.stringify({ headers: request.headers, id: requestId() }));
};
type Echoed = { headers: Record<string, string>; id: string };

test("a request has an id and an address nobody else can give it, and what is done for it knows them", async () => {
  const { at } = await front(echo);
  const answer = await fetch(`${at}/api/x`, {
    headers: {
      [ADDRESS]: "9.9.9.9",
      "x-forwarded-for": "8.8.8.8",
      "x-forwarded-proto": "https",
      "x-nonce": "mine",
    },
  });
  const { headers, id } = (await answer.json()) as Echoed;
  expect(headers).toMatchObject({ [ADDRESS]: "127.0.0.1" });
  for (const name of ["x-forwarded-for", "x-forwarded-proto", "x-nonce"])
    expect(headers).not.toHaveProperty(name);
  expect(answer.headers.get("x-request-id")).toBe(id);
});

test("pages run scripts by a nonce that is another one each time; over https they are asked by https from then on", async () => {
  const { at } = await front(echo, { address: "https://hobbin.example" });
  const seen = new Set<string>();
  for (let i = 0; i < 3; i++) {
    const answer = await fetch(`${at}/team/x`);
    const policy = answer.headers.get("content-security-policy")!;
    const { headers } = (await answer.json()) as Echoed;
    expect(headers["content-security-policy"]).toBe(policy);
    expect(policy).toContain(`script-src 'nonce-${headers["x-nonce"]}' 'strict-dynamic';`);
    expect(answer.headers.get("strict-transport-security")).toBe("max-age=31536000");
    seen.add(headers["x-nonce"]!);
  }
  expect(seen.size).toBe(3);
  // A reader's page has a policy of its own.
  expect((await fetch(`${at}/c/abc`)).headers.has("content-security-policy")).toBe(false);
});

test("an answer that tells its length has it said, unless it was compressed on its way", async () => {
  const { at } = await front(async ({ url }, response) => {
    for (const [name, value] of Object.entries(ofLength(3))) response.setHeader(name, value);
    response.removeHeader("content-length");
    if (url === "/packed") response.setHeader("content-encoding", "gzip");
    response.write(url === "/packed" ? gzipSync("abc") : "abc");
    response.end();
  });
  const [plain, packed] = await Promise.all([fetch(`${at}/plain`), fetch(`${at}/packed`)]);
  expect([plain.headers.get("content-length"), await plain.text()]).toEqual(["3", "abc"]);
  expect([packed.headers.get("content-length"), await packed.text()]).toEqual([null, "abc"]);
  for (const answer of [plain, packed]) expect(answer.headers.has(LENGTH)).toBe(false);
});

test("an address that is none is answered in words, before anybody takes it apart", async () => {
  let asked = 0;
  const { at } = await front(async (_, response) => void (asked++, response.end()));
  const answer = await new Promise<http.IncomingMessage>((resolve) => http.get(`${at}/c/%ff`, resolve));
  answer.resume();
  expect([answer.statusCode, answer.headers["content-type"], asked]).toEqual([
    404,
    "application/problem+json",
    0,
  ]);
});

test("what says that it brings too much is refused before it comes; files come in parts, and are counted elsewhere", async () => {
  let asked = 0;
  const { at } = await front(async (_, response) => void (asked++, response.end()));
  const send = (path: string, bytes: number) =>
    new Promise<number>((resolve) => {
      const request = http.request(`${at}${path}`, { method: "POST", headers: { "content-length": bytes } });
      request.on("response", (answer) => (answer.resume(), resolve(answer.statusCode!), request.destroy()));
      request.on("error", () => undefined);
      request.flushHeaders();
    });
  expect(await send("/api/actions/capture.note", 9_000_001)).toBe(413);
  expect(await send("/api/auth/sign-in/email", 16_001)).toBe(413);
  expect(asked).toBe(0);
  expect(await send("/api/files/x", 9_000_001)).toBe(200);
});

test("what fails is no end of the process, and what goes on when it stops is answered", async () => {
  let finish = () => undefined as void;
  const { one, at } = await front(async (request, response) => {
    if (request.url === "/fails") throw new Error("no");
    await new Promise<void>((resolve) => (finish = resolve));
    response.end("done");
  });
  expect((await fetch(`${at}/fails`)).status).toBe(500);
  const going = fetch(`${at}/slow`);
  await expect.poll(() => finish.toString().includes("undefined")).toBe(false);
  const stopped = one.stop(60_000);
  await expect(fetch(`${at}/late`)).rejects.toThrow();
  finish();
  expect(await (await going).text()).toBe("done");
  await stopped;
});
