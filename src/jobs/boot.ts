import { sayWhyNot, startProcess } from "./start";

/** Starts what the application needs, or ends the process with one clear sentence. */
export async function boot(): Promise<void> {
  try {
    await startProcess({ withWorker: process.env.HOBBIN_WORKER !== "off" });
  } catch (error) {
    process.stderr.write(`${sayWhyNot(error)}\n`);
    process.exit(1);
  }
}
