import { closeDatabase } from "@/data/database";
import { sayWhyNot, startProcess } from "@/jobs/start";
import { untilStopped } from "./until-stopped";

const PATIENCE = 15_000;

/** `npm run worker`: does the jobs apart from the application, which then runs with HOBBIN_WORKER=off. */
async function main(): Promise<void> {
  const work = await startProcess({ withWorker: true });
  await untilStopped();
  await work.stop(PATIENCE);
  await closeDatabase();
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    process.stderr.write(`${sayWhyNot(error)}\n`);
    process.exit(1);
  },
);
