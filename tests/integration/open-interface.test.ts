import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { buffer } from "node:stream/consumers";
import OpenApiClientAxios, { type Document } from "openapi-client-axios";
import { afterAll, beforeAll, expect, test } from "vitest";
import { findReader } from "@/data/queries/newsletters";
import { getAction, postAction } from "@/http/action-route";
import { openApi } from "@/http/openapi";
import { STRANGER } from "@/mechanism/actor";
import { tokenOf } from "@/data/queries/notices";
import { database } from "@/mechanism/changing";
import { ACTIONS, type ActionName } from "@/services/registry";
import { nameSteward } from "@/services/stewards/name";
import { standIn } from "./stand-in";
import { mustBeAsDescribed } from "./described";
import { TABLE } from "./every-action";
import { type Full, makeFull } from "./full-world";
import { as } from "./world";

/*
 * What others make of the description: openapi-client-axios, a client that has no code of its own for Hobbin, makes
 * its operations from the document alone (OpenAPI 3.1, https://spec.openapis.org/oas/v3.1.0).
 */

let world: Full;
let server: Server;
let token: string;
beforeAll(async () => {
  world = await makeFull();
  ({ token } = await as(world.owner, "tokens.make", { name: "A program" }));
  server = createServer((request, response) => {
    void (async () => {
      const { method, headers } = request;
      const body = method === "POST" ? await buffer(request) : undefined;
      const url = new URL(request.url!, "http://localhost");
      const asked = new Request(url, { method, headers: headers as HeadersInit, body });
      const params = Promise.resolve({ name: url.pathname.split("/").at(-1)! });
      const answer = await (method === "GET" ? getAction : postAction)(asked, { params });
      response.writeHead(answer.status, Object.fromEntries(answer.headers));
      response.end(Buffer.from(await answer.arrayBuffer()));
    })();
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
});
afterAll(() => server.close());

/** These answer with bytes or a stream, by routes of their own. */
const BYTES = new Set<ActionName>([
  "events.listen",
  "export.ordered",
  "files.read",
  "messages.original",
  "pictures.read",
  "sheets.file",
  "suggestions.file",
]);
const READINGS = (Object.keys(ACTIONS) as ActionName[]).filter(
  (name) => ACTIONS[name].kind === "read" && !BYTES.has(name),
);

/** Somebody asks for the newsletter of the world. @returns the code in the letter they are sent */
async function onList(): Promise<string> {
  const { collection, code, editor } = world;
  await as(editor, "collections.use", { collection, use: "newsletter" });
  await as(STRANGER, "newsletters.ask", { code, address: "wren@moss.example" });
  return (await findReader(database(), collection, "wren@moss.example"))!.token;
}

test("a client made from the description alone calls every reading, by GET and by POST, and gets what is described", async () => {
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const document = JSON.parse(JSON.stringify(openApi(address))) as Document;
  const api = new OpenApiClientAxios({
    definition: document,
    axiosConfigDefaults: {
      headers: { authorization: `Bearer ${token}` },
      validateStatus: () => true,
      // Lists as the description says: form style, not exploded.
      paramsSerializer: (params: Record<string, unknown>) =>
        new URLSearchParams(Object.entries(params).map(([key, value]) => [key, String(value)])).toString(),
    },
  });
  const client = (await api.init()) as unknown as Record<
    string,
    (parameters: object | null, body?: object) => Promise<{ status: number; data: { code?: string } }>
  >;
  const { invitation } = await as(world.owner, "invitations.make", { team: world.team, role: "viewer" });
  const { short } = await as(world.owner, "codes.make", { collection: world.collection });
  await as(world.owner, "editions.keep", { collection: world.collection });
  for (const text of ["The first copy.", "The second copy."])
    await as(world.owner, "resources.paste-text", { resource: world.resource, text });
  await nameSteward(world.owner.person!.email, true);
  // Where the table only says who may, and names something that is not there.
  const found: Partial<Record<ActionName, object>> = {
    "codes.open": { code: short },
    "newsletters.on-list": { token: await onList() },
    "invitations.read": { code: invitation.code },
    "notices.whose": { token: await tokenOf(database(), world.owner.person!.id, "code-in-a-letter") },
    "follows.find-feeds": { address: standIn("peat-notebook") },
    "references.look-up": { identifier: "10.5555/peat.3" },
  };
  const refused: string[] = [];
  for (const name of READINGS) {
    const input = found[name] ?? TABLE[name].input(world);
    const answers = [await client[name]!(input), await client[`${name}.post`]!(null, input)];
    for (const { status, data } of answers)
      if (status === 200) mustBeAsDescribed(name, data);
      else refused.push(`${name}: ${status} ${JSON.stringify(data)}`);
    expect(answers[0]!.status, name).toBe(answers[1]!.status);
  }
  expect(refused).toEqual([]);
  expect(READINGS.length).toBeGreaterThan(40);
});

test("no field of any input or answer is left undescribed", () => {
  const bare: string[] = [];
  const look = (schema: unknown, where: string) => {
    if (Array.isArray(schema)) return schema.forEach((one, i) => look(one, `${where}/${i}`));
    if (typeof schema !== "object" || schema === null) return;
    const said = schema as Record<string, unknown>;
    if (said.type === "object" && !("properties" in said) && !("additionalProperties" in said))
      bare.push(where);
    if (
      said.type === "array" &&
      !("prefixItems" in said) &&
      !Object.keys((said.items as object) ?? {}).length
    )
      bare.push(where);
    for (const [key, value] of Object.entries(said)) look(value, `${where}/${key}`);
  };
  const { paths, components } = openApi("http://localhost") as Record<string, unknown>;
  look({ paths, components }, "");
  expect(bare).toEqual([]);
});
