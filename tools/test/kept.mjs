import { readFileSync } from "node:fs";
import path from "node:path";
import { wait } from "../lib/processes.mjs";
import { buildStamp, STATE } from "../lib/project.mjs";
import { Stop } from "../lib/say.mjs";

/** Where a kept stack says how it is reached. */
export const NOTE = path.join(STATE, "test-stack.json");

/**
 * The stack `npm run test:watch` keeps running, with the application as it was built last; null when none runs.
 * @returns {Promise<{ env: object, browser: object } | null>} settings for integration tests and for walks
 */
export async function keptStack() {
  const asked = buildStamp();
  for (let i = 0; i < 600; i++) {
    const note = readNote();
    if (!note || !isAlive(note.pid)) return null;
    if (note.built === asked) return note;
    // The build is another one by now: the stack starts the application anew when it sees that.
    await wait(100);
  }
  throw new Stop("The kept stack did not take up the new build within a minute. Stop it and start it again.");
}

function readNote() {
  try {
    return JSON.parse(readFileSync(NOTE, "utf8"));
  } catch {
    return null;
  }
}

function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
