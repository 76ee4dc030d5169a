import { existsSync, readdirSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { startApplication } from "../lib/application.mjs";
import { wait } from "../lib/processes.mjs";
import { ROOT } from "../lib/project.mjs";
import { say, Stop } from "../lib/say.mjs";
import { Load } from "../load/load.mjs";
import { faultsOf, outcomeRows } from "./rows.mjs";

const MINUTES = Number(process.env.HOBBIN_SOAK ?? 30);
/** From this minute on memory is held against the end. */
const FROM = 5;
const WRITERS = 10;
const LISTENERS = 50;
/** So much more may be there at the end: what is kept of a catalogue that grew meanwhile. */
const GROWTH = 1.15;

/** What a process holds once it has collected its garbage, in MB. */
async function held(pid, file) {
  rmSync(file, { force: true });
  process.kill(pid, "SIGUSR2");
  for (let i = 0; i < 100 && !existsSync(file); i++) await wait(100);
  // It is written whole a moment after it is there.
  await wait(100);
  const { heapUsed, external } = JSON.parse(readFileSync(file, "utf8"));
  return (heapUsed + external) / 1e6;
}
const openFiles = (pid) => readdirSync(`/proc/${pid}/fd`).length;

/** Half an hour of work, with readers' pages and listeners: memory and open files must stay level. */
export async function soaking({ env, port, url, folder }) {
  if (MINUTES < FROM + 9)
    throw new Stop(`HOBBIN_SOAK: from ${FROM + 9} minutes on there is something to compare.`);
  const told = path.join(folder, "memory.json");
  const telling = `--import ${path.join(ROOT, "tools/faults/tell-memory.mjs")}`;
  const { child } = await startApplication({
    env: { ...env, NODE_OPTIONS: telling, HOBBIN_TELL: told },
    port,
  });
  const base = `http://127.0.0.1:${port}`;
  const before = openFiles(child.pid);
  const load = await Load.begin({ url, base, writers: WRITERS, listeners: LISTENERS, pause: 250 });
  const { code } = await load.people[0].call("share.set", {
    collection: load.work.collections[0],
    audience: "link",
  });
  let going = true;
  const reading = (async () => {
    while (going) {
      await fetch(`${base}/c/${code}`)
        .then((answer) => answer.arrayBuffer())
        .catch(() => {});
      await wait(100);
    }
  })();
  const minutes = [];
  for (let minute = 1; minute <= MINUTES; minute++) {
    await wait(60_000);
    minutes.push(await held(child.pid, told));
    say(`${minute} min: ${Math.round(minutes.at(-1))} MB held, ${openFiles(child.pid)} files open`);
  }
  going = false;
  await reading;
  const result = await load.end();
  const faults = faultsOf(result);
  // Connections that are kept open for the next one to ask close by themselves, after 70 seconds.
  await wait(80_000);
  const after = openFiles(child.pid);
  const level = minutes.slice(FROM - 1, FROM + 4).reduce((a, b) => a + b) / 5;
  const end = minutes.slice(-5).reduce((a, b) => a + b) / 5;
  for (const one of faults.slice(0, 20)) say(`  ${one}`);
  return {
    words: {
      title: "Half an hour of work",
      about: `\`npm run faults -- soak\`: ${WRITERS} writers, ${LISTENERS} listeners and a reader ten times a second for ${MINUTES} minutes, one process.`,
    },
    rows: [
      ...outcomeRows(result),
      [
        `memory the process holds, its garbage collected, minutes ${FROM} to ${FROM + 4}; the last five`,
        `${Math.round(level)} MB; ${Math.round(end)} MB (${(end / level).toFixed(2)})`,
        `at most ${GROWTH}`,
      ],
      [
        "files open before; afterwards",
        `${before}; ${after}`,
        "at most 20 more (connections to the database)",
      ],
    ],
    met: !faults.length && end / level <= GROWTH && after <= before + 20,
  };
}
