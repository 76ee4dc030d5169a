import { sayWhyNot, startProcess } from "./start";

/**
 * Starts what the application needs, or ends the process with one clear sentence. Behind the front that has done it there
 * is nothing to do; `next dev` has none.
 */
export async function boot(): Promise<void> {
  if ((globalThis as { hobbinFront?: boolean }).hobbinFront) return;
  try {
    const work = await startProcess({ withWorker: process.env.HOBBIN_WORKER !== "off" });
    for (const name of ["SIGTERM", "SIGINT"] as const) process.once(name, () => void work.stop());
  } catch (error) {
    process.stderr.write(`${sayWhyNot(error)}\n`);
    process.exit(1);
  }
}
