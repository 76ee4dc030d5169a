import { expect, test } from "vitest";
import { getAction, postAction } from "@/http/action-route";
import { handleAuth } from "@/http/auth-route";
import { inputSchema } from "@/http/input-schema";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { isKnownAddress } from "@/services/messages/receive";
import { readerPage } from "@/services/reader/reader-page";
import { ACTIONS, type ActionName } from "@/services/registry";
import { TABLE } from "./every-action";
import { type Full, makeFull } from "./full-world";

/** What no form of ours sends. */
const VALUES: unknown[] = [
  null,
  "",
  " ",
  "x",
  "\ud800",
  "a\u0000b",
  "%ff",
  "é",
  "é".repeat(400),
  `https://${"a".repeat(300)}.example/`,
  newId(),
  newId().toUpperCase(),
  "../../etc/passwd",
  "~é~x",
  "x~a0~x",
  -1,
  0.5,
  1e308,
  true,
  [],
  [null],
  ["\ud800"],
  [newId()],
  [[]],
  {},
  { __proto__: null, constructor: "x" },
  "2026-13-45",
];

/** Every action, each of its fields, each wrong value; the rest as it should be. */
function* hostile(name: ActionName, world: Full): Generator<[what: string, input: object]> {
  const right = TABLE[name].input(world);
  for (const field of Object.keys(inputSchema(ACTIONS[name].input as never).properties ?? {}))
    for (const value of VALUES)
      yield [`${name} with ${field} ${JSON.stringify(value)}`, { ...right, [field]: value }];
  for (const whole of [null, [], "x", 1, { unknown: 1 }])
    yield [`${name} of ${JSON.stringify(whole)}`, whole as object];
}

const NAMES = Object.keys(ACTIONS) as ActionName[];
/** Some of them do what they are asked to, so things go; after so many actions there are new ones. */
const FRESH = 6;

test(
  "whatever is sent, it is answered in words or done, and never fails",
  { timeout: 1_200_000 },
  async () => {
    const wrong: string[] = [];
    let tried = 0;
    let world!: Full;
    for (const [i, name] of NAMES.entries()) {
      if (i % FRESH === 0) world = await makeFull();
      for (const [what, input] of hostile(name, world)) {
        tried++;
        try {
          await ACTIONS[name].call(world.owner, input);
        } catch (error) {
          if (!(error instanceof Problem) || error.status >= 500) wrong.push(`${what}: ${String(error)}`);
          // Nothing of this machine is told.
          else if (/\/(home|tmp|root|usr|var)\//.test(JSON.stringify(error)))
            wrong.push(`${what} tells ${error.detail}`);
        }
      }
    }
    expect(tried).toBeGreaterThan(5_000);
    expect(wrong).toEqual([]);
  },
);

test("ids in capital letters are the same ids: nothing goes into itself, and nobody is another one", async () => {
  const { owner, team, collection, resource, twin, tag } = await makeFull();
  const big = (id: string) => id.toUpperCase();
  const refusals: [ActionName, object, string][] = [
    ["collections.move", { collection, parent: big(collection) }, "collection-inside-itself"],
    ["duplicates.merge", { resource, gone: big(resource) }, "duplicate-of-itself"],
    ["members.remove", { team, person: big(owner.person!.id) }, "team-without-owner"],
    ["members.set-role", { team, person: big(owner.person!.id), role: "viewer" }, "team-without-owner"],
  ];
  for (const [name, input, code] of refusals)
    await expect(ACTIONS[name].call(owner, input), name).rejects.toMatchObject({ code });
  await expect(ACTIONS["tags.merge"].call(owner, { tag, others: [big(tag)] })).resolves.toMatchObject({
    merged: 0,
  });
  const kept = (await ACTIONS["duplicates.merge"].call(owner, {
    resource: big(resource),
    gone: big(twin),
  })) as {
    resource: string;
  };
  expect(kept.resource).toBe(resource);
});

test("codes and addresses with letters no code has lead nowhere, and say so", async () => {
  const { owner, collection } = await makeFull();
  expect(await readerPage({ code: "é" })).toBeNull();
  const stranger = { person: null, share: "\ufffd" };
  await expect(ACTIONS["reader.read"].call(stranger, { collection })).rejects.toMatchObject({
    kind: "not-found",
  });
  await expect(ACTIONS["pictures.read"].call(owner, { hash: "é" })).rejects.toMatchObject({
    kind: "not-found",
  });
  expect(await isKnownAddress("in.é@post.example")).toBe(false);
});

test("a body without end is not read to its end, whatever its head says", async () => {
  let sent = 0;
  const endless = (length?: string) =>
    new Request("http://hobbin.example/api/actions/teams.read", {
      method: "POST",
      headers: { "content-type": "application/json", ...(length && { "content-length": length }) },
      duplex: "half",
      body: new ReadableStream({
        pull: (controller) => {
          sent += 64_000;
          controller.enqueue(new Uint8Array(64_000).fill(32));
        },
      }),
    } as RequestInit);
  const post = (request: Request) => postAction(request, { params: Promise.resolve({ name: "teams.read" }) });
  for (const length of [undefined, "10"]) {
    sent = 0;
    expect((await post(endless(length))).status).toBe(413);
    expect(sent).toBeLessThan(10_000_000);
  }
  sent = 0;
  expect((await handleAuth(endless())).status).toBe(413);
  expect(sent).toBeLessThan(500_000);
});

test("another site gets by with no made-up authorization, and a token of one's own goes before any cookie", async () => {
  const post = (authorization: string) =>
    postAction(
      new Request("http://localhost/api/actions/teams.read", {
        method: "POST",
        headers: { "content-type": "application/json", origin: "https://evil.example", authorization },
        body: "{}",
      }),
      { params: Promise.resolve({ name: "teams.read" }) },
    );
  expect(await (await post("Basic eDp5")).json()).toMatchObject({ code: "other-site" });
  expect(await (await post("x")).json()).toMatchObject({ code: "other-site" });
  expect(await (await post("Bearer nobody's")).json()).toMatchObject({ code: "token-ended" });
});

test("readings are asked by GET with numbers, lists and switches, and a number that is none is said to be", async () => {
  const { owner, team } = await makeFull();
  const { token } = (await ACTIONS["tokens.make"].call(owner, { name: "Script" })) as { token: string };
  const get = async (query: string) => {
    const answer = await getAction(
      new Request(`http://hobbin.example/api/actions/search.find?team=${team}&query=tag:bog&${query}`, {
        headers: { authorization: `Bearer ${token}` },
      }),
      { params: Promise.resolve({ name: "search.find" }) },
    );
    return {
      status: answer.status,
      ...((await answer.json()) as { results?: unknown[]; errors?: { pointer: string }[] }),
    };
  };
  expect((await get("most=1")).results).toHaveLength(1);
  expect(await get("most=many")).toMatchObject({ status: 422, errors: [{ pointer: "#/most" }] });
  expect((await get("most=2.5")).status).toBe(422);
});
