import { readdirSync } from "node:fs";
import path from "node:path";

/** Bundles what runs in threads of the server, each into a file of its own, because threads begin with a file. */
export async function bundleThreads(root) {
  const { build } = await import("esbuild");
  const folder = path.join(root, "src/outside/threads");
  await build({
    entryPoints: readdirSync(folder)
      .filter((name) => name.endsWith("-thread.ts"))
      .map((name) => path.join(folder, name)),
    outdir: path.join(root, "build/threads"),
    outExtension: { ".js": ".mjs" },
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20.10",
    alias: { "@": path.join(root, "src") },
    // Old packages call require, which modules of today do not have.
    banner: {
      js: 'import { createRequire as hobbinRequire } from "node:module"; const require = hobbinRequire(import.meta.url); const __dirname = import.meta.dirname ?? process.cwd(); const __filename = import.meta.filename ?? __dirname;',
    },
    // linkedom looks for a canvas it does not need; what is no JavaScript cannot be bundled.
    external: ["canvas", "@myriaddreamin/typst-ts-node-compiler", "csl-validator-wasm"],
    logLevel: "error",
  });
}
