import { say } from "./say.mjs";

/** How long the parts of a run took, in the order in which they ended. */
const parts = [];

/**
 * Runs one part of a longer run and keeps how long it took.
 * @param {string} what the part's name, as it stands in the summary
 * @param {() => Promise<T>} work
 * @returns {Promise<T>} what the work gives
 * @template T
 */
export async function timed(what, work) {
  const from = performance.now();
  try {
    return await work();
  } finally {
    parts.push({ what, seconds: (performance.now() - from) / 1000 });
  }
}

/** Prints what took how long. Parts that ran beside each other add up to more than the whole. */
export function sayTimes() {
  const width = Math.max(...parts.map(({ what }) => what.length));
  say("\nSeconds, by part:");
  for (const { what, seconds } of parts) say(`  ${what.padEnd(width)} ${seconds.toFixed(1).padStart(7)}`);
  say(`  ${"the whole".padEnd(width)} ${process.uptime().toFixed(1).padStart(7)}\n`);
}
