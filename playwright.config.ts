import { defineConfig } from "@playwright/test";

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
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
});
