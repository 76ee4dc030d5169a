import { queueState } from "@/data/queries/jobs";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { json } from "./answer";

const ALIVE = 15_000;

/** GET /api/health: 200 when database and workers are there, 503 when one is down. */
export async function getHealth(): Promise<Response> {
  try {
    const queue = await queueState(database(), new Date(now().getTime() - ALIVE));
    const up = queue.workers > 0;
    return json(
      { status: up ? "up" : "down", database: "up", workers: up ? "up" : "down", queue },
      up ? 200 : 503,
    );
  } catch {
    return json({ status: "down", database: "down", workers: "unknown" }, 503);
  }
}
