import next from "next";
import { closeDatabase } from "@/data/database";
import { sayWhyNot, startProcess } from "@/jobs/start";
import { log } from "@/outside/log";
import { settings } from "@/outside/settings";
import { signal } from "@/outside/signals";
import { Front } from "./front";
import { isForHealth, sendHealth } from "./health";
import { isLive, sendLive } from "./live";
import { countAnswer, isForMetrics, sendMetrics } from "./metrics";
import { readerAsked, sendAtOnce, sendReaderPage, sendUnchangedFeed } from "./reader";
import { untilStopped } from "./until-stopped";

/** How long what goes on may take to end, in milliseconds. */
const PATIENCE = 15_000;

/** `npm start`: the application, from its settings to its orderly end. */
async function main(): Promise<void> {
  const { address, port, listen, proxies, worker, metricsToken } = settings();
  // Whoever is called by Next need not start what has been started here.
  (globalThis as { hobbinFront?: boolean }).hobbinFront = true;
  const work = await startProcess({ withWorker: worker !== "off" });
  const app = next({ dev: false, dir: process.cwd(), hostname: listen, port: Number(port) });
  await app.prepare();
  const handle = app.getRequestHandler();
  const front = new Front(
    async (request, response) => {
      if (isForMetrics(request)) return sendMetrics(request, response, metricsToken);
      if (isForHealth(request)) return sendHealth(request, response);
      if (isLive(request)) return sendLive(request, response);
      const reader = readerAsked(request);
      if (reader && (await sendReaderPage(request, response, reader))) return;
      if (await sendUnchangedFeed(request, response)) return;
      return handle(request, response);
    },
    { address, proxies, atOnce: sendAtOnce, count: countAnswer },
  );
  await front.listen(Number(port), listen);
  log.info({ address, port: Number(port) }, "Hobbin is there");
  await untilStopped();
  log.info("stopping");
  // Streams end with a word, and come back to whoever takes over.
  signal("stopping");
  await Promise.all([front.stop(PATIENCE), work.stop(PATIENCE)]);
  await app.close();
  await closeDatabase();
  log.info("stopped");
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    process.stderr.write(`${sayWhyNot(error)}\n`);
    process.exit(1);
  },
);
