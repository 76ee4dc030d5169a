import { defineConfig } from "@playwright/test";
import chromium from "./tools/lib/chromium.json" with { type: "json" };

/** Walks through the real interface, against the application that tools/test.mjs has started. */
export default defineConfig({
  testDir: "tests/browser",
  workers: 2,
  timeout: 60_000,
  expect: { timeout: 8_000 },
  forbidOnly: true,
  use: {
    baseURL: process.env.HOBBIN_ADDRESS,
    viewport: { width: 1280, height: 800 },
    launchOptions: chromium,
  },
});
