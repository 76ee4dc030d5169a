/**
 * `npm start`, `npm run worker`, `npm run migrate`, `npm run search:rebuild`: runs what the build has bundled, in this
 * very process, with the settings of the environment. It needs no package that is only there for development.
 */
import { existsSync } from "node:fs";
import path from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { say } from "./lib/say.mjs";

// Nothing more than this is loaded from the tools: a release has no others.
const ROOT = fileURLToPath(new URL("..", import.meta.url));
const [name] = process.argv.slice(2);
const file = path.join(ROOT, "build", `${name}.mjs`);
if (existsSync(file)) {
  process.chdir(ROOT);
  process.env.NODE_ENV = "production";
  process.env.NEXT_TELEMETRY_DISABLED ??= "1";
  await import(pathToFileURL(file).href);
} else {
  say("Hobbin is not built yet. Build it first: npm run build");
  process.exitCode = 1;
}
