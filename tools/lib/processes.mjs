import { spawn } from "node:child_process";
import net from "node:net";
import { Stop } from "./say.mjs";

const started = [];

/**
 * Starts a process in a group of its own, so that Ctrl-C in the terminal reaches only the tool, which then stops
 * everything in the right order.
 */
export function start(name, command, args, { env = process.env, output = "inherit", cwd } = {}) {
  const child = spawn(command, args, { env, cwd, detached: true, stdio: ["ignore", output, output] });
  const entry = { name, child, ended: false };
  entry.end = new Promise((resolve) => {
    child.on("exit", (code) => {
      entry.ended = true;
      resolve(code);
    });
    child.on("error", () => {
      entry.ended = true;
      resolve(127);
    });
  });
  started.push(entry);
  return entry;
}

/** Runs a command to its end and gives its exit code. */
export async function run(command, args, options = {}) {
  const entry = start(command, command, args, options);
  const code = await entry.end;
  started.splice(started.indexOf(entry), 1);
  return code;
}

/** Stops what was started, the last first. */
export async function stopAll() {
  for (const entry of [...started].reverse()) await stopOne(entry);
}

/** Stops one process with its group; what does not go in ten seconds is killed. */
export async function stopOne(entry) {
  if (started.includes(entry)) started.splice(started.indexOf(entry), 1);
  if (!entry.ended) {
    signal(entry, "SIGTERM");
    const gone = await Promise.race([entry.end.then(() => true), wait(10_000).then(() => false)]);
    if (!gone) signal(entry, "SIGKILL");
  }
  // Grandchildren that outlived their parent.
  signal(entry, "SIGKILL");
}

function signal(entry, name) {
  try {
    process.kill(-entry.child.pid, name);
  } catch {
    // The group is gone.
  }
}

export const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Whether something listens on a port of this machine. */
function isTaken(port) {
  return new Promise((resolve) => {
    const socket = net.connect({ port, host: "127.0.0.1" });
    socket.once("connect", () => (socket.destroy(), resolve(true)));
    socket.once("error", () => resolve(false));
  });
}

/** Stops with a sentence when one of the ports is taken. */
export async function mustBeFree(ports, hint) {
  for (const [what, port] of Object.entries(ports))
    if (await isTaken(port))
      throw new Stop(`Port ${port}, for ${what}, is taken by another program. Stop that one, or ${hint}.`);
}

/** Waits until an address answers with a status below 500. */
export async function untilAnswers(url, entry, seconds = 60) {
  for (let i = 0; i < seconds * 10; i++) {
    if (entry?.ended) throw new Stop(`${entry.name} ended before it answered; its own words above say why.`);
    const answer = await fetch(url, { signal: AbortSignal.timeout(2_000) }).catch(() => null);
    if (answer && answer.status < 500) return;
    await wait(100);
  }
  throw new Stop(`Nothing answers at ${url} after ${seconds} seconds.`);
}

/** Two ports in a row from a base, for tests: the first base whose ports are all free. */
export async function freePorts(base, count) {
  for (let from = base; from < base + 2_000; from += count) {
    const taken = await Promise.all(Array.from({ length: count }, (_, i) => isTaken(from + i)));
    if (!taken.includes(true)) return from;
  }
  throw new Stop("No free ports were found.");
}
