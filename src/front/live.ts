import type { IncomingMessage, ServerResponse } from "node:http";
import { answering } from "@/http/answer";
import { askedStream, STREAM } from "@/http/live-route";
import { listenTo } from "@/services/events/listen";

/** Whoever takes so many bytes behind has stopped reading; they come back and catch up. */
const MOST_BEHIND = 1_000_000;

/** Whether a request is for an event stream. */
export const isLive = ({ method, url = "" }: IncomingMessage): boolean =>
  method === "GET" && /^\/api\/live(\?|$)/.test(url);

/**
 * Answers with an event stream, straight on the socket: a thousand of them are a thousand sockets and the same bytes.
 * @param request a GET of /api/live
 */
export async function sendLive(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const headers = new Headers();
  for (const name of ["authorization", "cookie", "last-event-id", "host"])
    if (typeof request.headers[name] === "string") headers.set(name, request.headers[name]);
  const query = new URL(request.url!, "http://hobbin").searchParams;
  const refused = await answering(async () => {
    const { actor, asked } = await askedStream(headers, query);
    let begun = false;
    const stop = listenTo(actor, asked, {
      write: (bytes) => {
        if (!begun) response.writeHead(200, STREAM);
        begun = true;
        response.write(bytes);
        if (response.writableLength > MOST_BEHIND) response.destroy();
      },
      end: () => response.end(),
    });
    response.on("close", stop);
    return new Response();
  });
  if (response.headersSent) return;
  response.writeHead(refused.status, Object.fromEntries(refused.headers));
  response.end(Buffer.from(await refused.arrayBuffer()));
}
