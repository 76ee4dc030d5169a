import { Problem } from "@/mechanism/problem";
import { auth } from "@/services/accounts/auth";
import { answering, readBody } from "./answer";

/** More than a name, an address and a password are never sent here. */
const MOST_BYTES = 16_000;

/** /api/auth/…: sign up, in and out, confirm, forgotten password. The accounts library answers. */
export const handleAuth = (request: Request): Promise<Response> =>
  answering(async () => {
    if (!request.body) return auth().handler(request);
    const body = await readBody(request, MOST_BYTES);
    if (!body) throw new Problem("too-large");
    const { url, method, headers } = request;
    return auth().handler(new Request(url, { method, headers, body: new Uint8Array(body) }));
  });
