import { actorOf } from "@/services/accounts/actor-of-request";
import { listen, liveStream } from "@/services/events/listen";
import { answering } from "./answer";

/** GET /api/live?team=<id>: the event stream of a team. */
export const getLive = (request: Request): Promise<Response> =>
  answering(async () => {
    const actor = await actorOf(request.headers);
    const query = new URL(request.url).searchParams;
    const { team } = await listen.call(actor, { team: query.get("team") });
    const last = request.headers.get("last-event-id") ?? query.get("last");
    return new Response(liveStream(actor, team, last, request.signal), {
      headers: {
        "content-type": "text/event-stream",
        "cache-control": "no-cache, no-transform",
        "x-accel-buffering": "no",
      },
    });
  });
