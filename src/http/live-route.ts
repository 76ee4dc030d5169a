import type { Actor } from "@/mechanism/actor";
import { actorOf } from "@/services/accounts/actor-of-request";
import { listen, listenTo } from "@/services/events/listen";
import { answering } from "./answer";

/** The heads of an event stream. */
export const STREAM = {
  "content-type": "text/event-stream",
  "cache-control": "no-cache, no-transform",
  "x-accel-buffering": "no",
};

/**
 * Who asks for which stream, and from where on.
 * @throws {Problem} when they may not hear of that team
 */
export async function askedStream(
  headers: Headers,
  query: URLSearchParams,
): Promise<{ actor: Actor; asked: Parameters<typeof listenTo>[1] }> {
  const actor = await actorOf(headers);
  const { team, only } = await listen.call(actor, { team: query.get("team") });
  return { actor, asked: { team, only, last: headers.get("last-event-id") ?? query.get("last") } };
}

/** GET /api/live?team=<id>: the event stream of a team, where no front answers it. */
export const getLive = (request: Request): Promise<Response> =>
  answering(async () => {
    const { actor, asked } = await askedStream(request.headers, new URL(request.url).searchParams);
    let stop = () => {};
    const stream = new ReadableStream<Uint8Array>({
      start: (controller) => {
        const close = () => {
          stop();
          try {
            controller.close();
          } catch {
            // It is closed already.
          }
        };
        stop = listenTo(actor, asked, {
          write: (bytes) => {
            try {
              controller.enqueue(bytes);
            } catch {
              stop();
            }
          },
          end: close,
        });
        request.signal.addEventListener("abort", close);
      },
      cancel: () => stop(),
    });
    return new Response(stream, { headers: STREAM });
  });
