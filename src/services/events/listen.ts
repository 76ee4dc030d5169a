import { eventsSince } from "@/data/queries/events";
import { roleIn } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { onSignal } from "@/outside/signals";
import { hub, type LiveEvent, toLive } from "./hub";

class Listen {
  @Id() team: string;
}

export const listen = reading({
  name: "events.listen",
  about:
    "A stream of what happens in a team, as server-sent events. A client that comes back names the last one it saw.",
  input: Listen,
  allow: can.see("team"),
  run: async ({ input }) => ({ team: input.team }),
});

const CATCH_UP = 1_000;
const BEAT = 15_000;

/**
 * The stream itself. Each event's id is its time and id; after a break the client sends the last one back and
 * gets what it missed, or the word to read everything anew when that is too much.
 */
export function liveStream(
  actor: Actor,
  team: string,
  last: string | null,
  signal: AbortSignal,
): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let stop = () => {};
  return new ReadableStream({
    async start(controller) {
      const write = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      const sent = new Set<string>();
      const send = (event: LiveEvent) => {
        if (sent.has(event.id)) return;
        sent.add(event.id);
        if (sent.size > 5_000) sent.clear();
        write(`id: ${event.at}~${event.id}\ndata: ${JSON.stringify(event)}\n\n`);
      };
      const unlisten = hub().listen(team, actor.person!.id, send);
      const beat = setInterval(async () => {
        write(": still here\n\n");
        // Whoever was taken out of the team hears no more.
        if (!(await roleIn(database(), team, actor.person!.id).catch(() => "unknown"))) stop();
      }, BEAT);
      stop = () => {
        stop = () => {};
        clearInterval(beat);
        unlisten();
        unstop();
        try {
          controller.close();
        } catch {
          // It is closed already.
        }
      };
      signal.addEventListener("abort", () => stop());
      const unstop = onSignal("stopping", () => {
        write("retry: 300\n: goes on at once\n\n");
        stop();
      });
      write("retry: 1000\n\n");
      // Without a last one the page was drawn a moment ago; what happened since then would be missed.
      const since = last ? new Date(last.split("~")[0]!) : now();
      if (!Number.isNaN(since.getTime())) {
        const missed = await eventsSince(
          database(),
          new Date(since.getTime() - 5_000),
          [team],
          actor.person!.id,
          CATCH_UP,
        );
        if (missed.length === CATCH_UP) write("event: reload\ndata: {}\n\n");
        else missed.map(toLive).forEach(send);
      }
    },
    cancel: () => stop(),
  });
}
