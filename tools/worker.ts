/** `npm run worker`: does the jobs apart from the application, which then runs with HOBBIN_WORKER=off. */
import { sayWhyNot, startProcess } from "@/jobs/start";

startProcess({ withWorker: true }).catch((error: unknown) => {
  process.stderr.write(`${sayWhyNot(error)}\n`);
  process.exit(1);
});
