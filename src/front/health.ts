import type { IncomingMessage, ServerResponse } from "node:http";
import { getHealth } from "@/http/health";

/** Whether a request asks how this process is. */
export const isForHealth = ({ method, url = "" }: IncomingMessage): boolean =>
  (method === "GET" || method === "HEAD") && /^\/api\/health(\?|$)/.test(url);

/** Says how this process is, whatever state Next is in. */
export async function sendHealth(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const answer = await getHealth(new Request(new URL(request.url!, "http://hobbin")));
  response.writeHead(answer.status, Object.fromEntries(answer.headers));
  response.end(request.method === "HEAD" ? undefined : await answer.text());
}
