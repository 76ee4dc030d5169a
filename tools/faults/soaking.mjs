import { readdirSync, readFileSync } from "node:fs";
import { startApplication } from "../lib/application.mjs";
import { wait } from "../lib/processes.mjs";
import { say } from "../lib/say.mjs";
import { Load } from "../load/load.mjs";

const MINUTES = Number(process.env.HOBBIN_SOAK ?? 30);
/** From this minute on memory is held against the end. */
const FROM = 5;
const WRITERS = 10;
const LISTENERS = 50;
/** So much more may be there at the end: what is kept of a catalogue that grew meanwhile. */
const GROWTH = 1.15;

const megabytes = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))[1]) / 1024;
const openFiles = (pid) => readdirSync(`/proc/${pid}/fd`).length;

/** Half an hour of work, with readers' pages and listeners: memory and open files must stay level. */
export async function soaking({ env, port, url }) {
  const { child } = await startApplication({ env, port });
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
      await fetch(`${base}/c/${code}`).then(
        (answer) => answer.arrayBuffer(),
        () => {},
      );
      await wait(100);
    }
  })();
  const minutes = [];
  for (let minute = 1; minute <= MINUTES; minute++) {
    await wait(60_000);
    // The lowest of a few looks: what is there after a collection of garbage.
    const looks = [];
    for (let i = 0; i < 10; i++, await wait(300)) looks.push(megabytes(child.pid));
    minutes.push(Math.min(...looks));
    say(`${minute} min: ${Math.round(minutes.at(-1))} MB, ${openFiles(child.pid)} files open`);
  }
  going = false;
  await reading;
  const { acknowledged, lost, doubled, wrong, errors } = await load.end();
  // Connections that are kept open for the next one to ask close by themselves.
  await wait(20_000);
  const after = openFiles(child.pid);
  const level = minutes.slice(FROM - 1, FROM + 4).reduce((a, b) => a + b) / 5;
  const end = minutes.slice(-5).reduce((a, b) => a + b) / 5;
  for (const one of [...lost, ...doubled, ...wrong, ...errors].slice(0, 20)) say(`  ${one}`);
  return {
    words: {
      title: "Half an hour of work",
      about: `\`npm run faults -- soak\`: ${WRITERS} writers, ${LISTENERS} listeners and a reader ten times a second for ${MINUTES} minutes, one process.`,
    },
    rows: [
      ["acknowledged", acknowledged, ""],
      [
        "lost, doubled, wrong, errors",
        [lost, doubled, wrong, errors].map((list) => list.length).join(", "),
        "0, 0, 0, 0",
      ],
      [
        `memory of the process, minutes ${FROM} to ${FROM + 4}; the last five`,
        `${Math.round(level)} MB; ${Math.round(end)} MB (${(end / level).toFixed(2)})`,
        `at most ${GROWTH}`,
      ],
      [
        "files open before; afterwards",
        `${before}; ${after}`,
        "at most 20 more (connections to the database)",
      ],
    ],
    met:
      ![lost, doubled, wrong, errors].some((list) => list.length) &&
      end / level <= GROWTH &&
      after <= before + 20,
  };
}
