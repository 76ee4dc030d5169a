import { defineConfig } from "@playwright/test";
import chromium from "./tools/lib/chromium.json" with { type: "json" };

/** Walks through the real interface, against the application that tools/test.mjs has started. */
export default defineConfig({
  testDir: "tests/browser",
  workers: 2,
  // Some go through a dozen pages with axe, which takes a machine at a quarter of its speed 100 s.
  timeout: 600_000,
  // Two browsers, the application and the database share the machine; what promises a time is the bench's.
  expect: { timeout: 60_000 },
  forbidOnly: true,
  use: {
    baseURL: process.env.HOBBIN_ADDRESS,
    viewport: { width: 1280, height: 800 },
    launchOptions: chromium,
    // A walk that fails leaves what it saw; the log of the server lies beside it.
    screenshot: "only-on-failure",
    trace: { mode: "retain-on-failure", screenshots: false },
  },
});
