import { defineConfig } from "@playwright/test";
import chromium from "./tools/lib/chromium.json" with { type: "json" };

/** Walks through the real interface, against the application that tools/test.mjs has started. */
export default defineConfig({
  testDir: "tests/browser",
  workers: 2,
  timeout: 120_000,
  // For what has no promise about time: two browsers, the application and the database share the machine. What is
  // promised (two seconds to the other's screen) says so itself and runs alone.
  expect: { timeout: 15_000 },
  forbidOnly: true,
  projects: [
    { name: "alone", testMatch: /together/ },
    { name: "beside", testIgnore: /together/ },
  ],
  use: {
    baseURL: process.env.HOBBIN_ADDRESS,
    viewport: { width: 1280, height: 800 },
    launchOptions: chromium,
  },
});
