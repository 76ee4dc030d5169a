import { existsSync, readFileSync } from "node:fs";
import path from "node:path";
import { startApplication } from "../lib/application.mjs";
import { startDatabase } from "../lib/mariadb.mjs";
import { start, wait } from "../lib/processes.mjs";
import { ROOT } from "../lib/project.mjs";
import { say } from "../lib/say.mjs";
import { Load } from "../load/load.mjs";
import { faultsOf, outcomeRows, waitRows } from "./rows.mjs";

const TIMES = 10;
const WRITERS = 20;

/** Application, worker and database are killed in turn (kill -9), ten times each, while twenty people write. */
export async function killing({ env, port, url, folder }) {
  const running = {};
  const begin = {
    application: () => startApplication({ env: { ...env, HOBBIN_WORKER: "off" }, port }),
    worker: async () =>
      start("The worker", process.execPath, [path.join(ROOT, "tools/run-built.mjs"), "worker"], {
        cwd: ROOT,
        env: { ...process.env, ...env },
      }),
    database: async () =>
      (await startDatabase({ folder: path.join(folder, "db"), port: Number(new URL(url).port) })).entry,
  };
  running.application = await begin.application();
  running.worker = await begin.worker();
  // One that ends by itself, because it finds no database just then, is begun again, as by whoever runs it.
  let going = true;
  const keeping = (async () => {
    while (going) {
      if (running.worker.ended) running.worker = await begin.worker();
      await wait(500);
    }
  })();
  const load = await Load.begin({ url, base: `http://127.0.0.1:${port}`, writers: WRITERS, pause: 100 });
  const longest = {};
  await wait(3_000);
  for (let i = 0; i < TIMES; i++)
    for (const what of ["application", "worker", "database"]) {
      load.journal.longest = 0;
      // The database that was there at first is the ground's own, and is found by its file.
      if (what === "database" && !running.database) await killByPid(path.join(folder, "db/pid"));
      else {
        if (!running[what].ended) process.kill(-running[what].child.pid, "SIGKILL");
        await running[what].end;
      }
      if (what !== "worker") running[what] = await begin[what]();
      await wait(2_500);
      longest[what] = Math.max(longest[what] ?? 0, load.journal.longest);
      say(
        `${i + 1}: ${what} was killed; the longest wait for an answer was ${Math.round(load.journal.longest)} ms`,
      );
    }
  going = false;
  await keeping;
  if (running.worker.ended) running.worker = await begin.worker();
  const result = await load.end();
  const faults = faultsOf(result);
  for (const one of faults.slice(0, 20)) say(`  ${one}`);
  return {
    words: {
      title: "Killed, ten times each",
      about: `\`npm run faults -- kills\`: ${WRITERS} writers; application, worker and database are killed (kill -9) in turn, ${TIMES} times each, and started again. One of each: while it is away nobody answers.`,
    },
    rows: [...outcomeRows(result), ...waitRows(longest)],
    met: !faults.length,
  };
}

async function killByPid(file) {
  const pid = Number(readFileSync(file, "utf8"));
  process.kill(pid, "SIGKILL");
  while (existsSync(`/proc/${pid}`)) await wait(20);
}
