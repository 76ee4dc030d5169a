import { queueState } from "@/data/queries/jobs";
import { within } from "@/data/transaction";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { canKeepFiles } from "@/outside/files";
import { json } from "./answer";

const ALIVE = 15_000;

/** So long an answer takes at the most, in milliseconds. */
const PATIENCE = 2_000;

/**
 * GET /api/health: 200 when database, workers and the folder of files are there, 503 when one is down. With `?live` only
 * whether this process answers: whoever restarts what is dead must not restart what waits for its database.
 */
export async function getHealth(request: Request): Promise<Response> {
  if (new URL(request.url).searchParams.has("live")) return json({ status: "up" });
  const ready = await within(PATIENCE, canKeepFiles()).catch(() => false);
  const files = ready ? "up" : "down";
  try {
    const queue = await within(PATIENCE, queueState(database(), now(), new Date(now().getTime() - ALIVE)));
    const workers = queue.workers > 0 ? "up" : "down";
    const up = workers === "up" && files === "up";
    return json({ status: up ? "up" : "down", database: "up", workers, files, queue }, up ? 200 : 503);
  } catch {
    return json({ status: "down", database: "down", workers: "unknown", files }, 503);
  }
}
