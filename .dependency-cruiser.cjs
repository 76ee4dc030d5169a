/** Who may import whom. The rooms and their reasons are in docs/architecture.md. */
const room = (name) => `^src/${name}/`;
const only = (from, allowed) => ({
  name: `${from}-imports-only-${allowed.join("-") || "itself"}`,
  severity: "error",
  from: { path: room(from), pathNot: "\\.test\\.tsx?$" },
  to: { path: "^(src|standin|demo|tools|tests)/", pathNot: [from, ...allowed].map(room) },
});
const noPackages = (from, names) => ({
  name: `${from}-has-no-${names[0]}`,
  severity: "error",
  from: { path: room(from), pathNot: "\\.test\\.tsx?$" },
  to: { path: names.map((name) => `node_modules/${name}(/|$)`) },
});

module.exports = {
  forbidden: [
    {
      name: "no-circles",
      severity: "error",
      from: {},
      to: { circular: true },
    },
    only("core", []),
    only("data", ["core"]),
    only("outside", ["core"]),
    only("mechanism", ["core", "data", "outside"]),
    only("services", ["mechanism", "core", "data", "outside"]),
    only("jobs", ["services", "mechanism", "core", "data", "outside"]),
    only("http", ["services", "mechanism", "core", "data", "outside"]),
    only("front", ["jobs", "http", "services", "mechanism", "core", "data", "outside"]),
    only("workers", ["core"]),
    only("app", ["ui", "http", "services", "mechanism", "core"]),
    {
      name: "ui-imports-only-core",
      comment: "Types of services are welcome; their code is not.",
      severity: "error",
      from: { path: room("ui") },
      to: {
        path: "^(src|standin|demo|tools|tests)/",
        pathNot: [room("ui"), room("core")],
        dependencyTypesNot: ["type-only"],
      },
    },
    {
      name: "standin-stands-alone",
      severity: "error",
      from: { path: "^standin/" },
      to: { path: "^(src|demo|tools|tests)/" },
    },
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: room("core"), pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "what-runs-is-a-dependency",
      comment: "Types may come from packages for development.",
      severity: "error",
      from: { path: "^src/", pathNot: "\\.test\\.tsx?$" },
      to: {
        dependencyTypes: ["npm-dev"],
        dependencyTypesNot: ["type-only"],
        pathNot: "node_modules/@types/",
      },
    },
    noPackages("core", [
      "react",
      "react-dom",
      "next",
      "drizzle-orm",
      "mysql2",
      "undici",
      "class-validator",
      "@types/node",
    ]),
    noPackages("ui", [
      "drizzle-orm",
      "mysql2",
      "undici",
      "class-validator",
      "better-auth",
      "nodemailer",
      "sharp",
    ]),
    // Reads, joins, locks and writes live in data alone.
    ...["mechanism", "services", "http", "front"].map((one) =>
      noPackages(one, ["drizzle-orm", "mysql2", "react", "react-dom", "undici", "nodemailer"]),
    ),
    noPackages("jobs", ["drizzle-orm", "mysql2"]),
    noPackages("app", ["drizzle-orm", "mysql2"]),
    noPackages("data", ["react", "next", "undici", "nodemailer"]),
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.next/" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default", "types"],
    },
  },
};
