import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

/** How long a test may take on a machine that is busy otherwise; what hangs ends by it, nothing else is meant. */
const PATIENCE = 600_000;
/** The same for a test, and for what a test waits for to come by itself. */
const PATIENT = { testTimeout: PATIENCE, expect: { poll: { timeout: PATIENCE / 5 } } };
/** How many files run beside each other. */
const WORKERS = 2;
const alias = { "@": fileURLToPath(new URL("./src", import.meta.url)) };

/** Four projects: what is pure, what needs a page, what is checked against published references, and what needs the database. */
export default defineConfig({
  resolve: { alias },
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: "unit",
          isolate: false,
          maxWorkers: WORKERS,
          ...PATIENT,
          include: ["{src,tools,standin,demo,extension}/**/*.test.{ts,tsx}"],
          exclude: ["**/*.page.test.*"],
        },
      },
      {
        resolve: { alias },
        test: {
          name: "page",
          setupFiles: "tests/units/tidy-page.ts",
          isolate: false,
          maxWorkers: WORKERS,
          ...PATIENT,
          include: ["{src,extension}/**/*.page.test.{ts,tsx}"],
        },
      },
      {
        resolve: { alias },
        test: {
          name: "reference",
          isolate: false,
          maxWorkers: WORKERS,
          ...PATIENT,
          include: ["tests/reference/**/*.test.ts"],
        },
      },
      {
        resolve: { alias },
        test: {
          name: "integration",
          include: ["tests/integration/**/*.test.ts"],
          globalSetup: "tests/integration/setup.ts",
          // Each of the two workers has a database of its own.
          setupFiles: "tests/integration/own-database.ts",
          maxWorkers: WORKERS,
          isolate: false,
          ...PATIENT,
          hookTimeout: PATIENCE,
        },
      },
    ],
  },
});
