/**
 * Loaded into a process that is measured (`node --import`): asked by SIGUSR2, it collects its garbage and writes down
 * what it holds. What a process has of memory beyond that is V8's to give back when it likes.
 */
import { writeFileSync } from "node:fs";
import { setTimeout } from "node:timers/promises";
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { isMainThread } from "node:worker_threads";

if (isMainThread) {
  setFlagsFromString("--expose-gc");
  const collect = runInNewContext("gc");
  process.on("SIGUSR2", async () => {
    // What is let go by one collection only comes free with the next.
    for (let i = 0; i < 3; i++, await setTimeout(20)) collect();
    writeFileSync(process.env.HOBBIN_TELL, JSON.stringify(process.memoryUsage()));
  });
}
