import path from "node:path";

/** What runs by itself, by the name of its file in `build`. */
const ENTRIES = {
  server: "src/front/main.ts",
  worker: "src/front/worker.ts",
  migrate: "src/front/migrate.ts",
  backup: "src/front/backup.ts",
  steward: "src/front/steward.ts",
  "search-rebuild": "tools/search-rebuild.ts",
};

/** Bundles what runs beside Next, so that nothing of it needs a package that is only there for development. */
export async function bundleServers(root) {
  const { build } = await import("esbuild");
  await build({
    entryPoints: Object.fromEntries(
      Object.entries(ENTRIES).map(([name, file]) => [name, path.join(root, file)]),
    ),
    outdir: path.join(root, "build"),
    outExtension: { ".js": ".mjs" },
    bundle: true,
    packages: "external",
    platform: "node",
    format: "esm",
    target: "node20.10",
    tsconfig: path.join(root, "tsconfig.json"),
    alias: { "@": path.join(root, "src") },
    logLevel: "error",
  });
}
