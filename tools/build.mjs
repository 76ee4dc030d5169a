/** `npm run build`: the application, and beside it what runs in threads and by itself. */
import path from "node:path";
import { cutLetters } from "./cut-letters.mjs";
import { layOutPdfParts } from "./lib/pdf-parts.mjs";
import { run } from "./lib/processes.mjs";
import { ROOT } from "./lib/project.mjs";
import { bundleServers } from "./lib/servers.mjs";
import { bundleThreads } from "./lib/threads.mjs";

layOutPdfParts(ROOT);
await Promise.all([bundleThreads(ROOT), bundleServers(ROOT), cutLetters()]);
if ((await run(process.execPath, [path.join(ROOT, "tools/build-extension.mjs")], { cwd: ROOT })) !== 0)
  process.exit(1);
const next = path.join(ROOT, "node_modules/next/dist/bin/next");
process.exitCode = await run(process.execPath, [next, "build"], { cwd: ROOT });
