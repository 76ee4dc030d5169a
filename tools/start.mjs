/** `npm start`: the built application with the settings of the environment, which it checks itself. */
import path from "node:path";
import { run, stopAll } from "./lib/processes.mjs";
import { ROOT } from "./lib/project.mjs";

for (const name of ["SIGINT", "SIGTERM"]) process.on(name, () => void stopAll().then(() => process.exit(0)));
const next = path.join(ROOT, "node_modules/next/dist/bin/next");
const args = [
  next,
  "start",
  "-p",
  process.env.HOBBIN_PORT ?? "4800",
  "-H",
  process.env.HOBBIN_LISTEN ?? "127.0.0.1",
];
process.exit(
  await run(process.execPath, args, {
    cwd: ROOT,
    env: { ...process.env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
  }),
);
