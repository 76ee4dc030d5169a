import { chromium } from "@playwright/test";
import fs from "node:fs";
const base = process.env.BASE || "http://localhost:4900";
export const flags = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: flags });
const [, , script] = process.argv;
const state = "/tmp/shots/state.json";
const make = async (o = {}) =>
  browser.newContext({
    viewport: { width: 1280, height: 800 },
    ...(fs.existsSync(state) ? { storageState: state } : {}),
    ...o,
  });
const ctx = await make();
const page = await ctx.newPage();
page.on("console", (m) => {
  if (m.type() === "error") console.log("console:", m.text().slice(0, 300));
});
page.on("pageerror", (e) => console.log("pageerror:", e.message.slice(0, 400)));
const shot = (n, p = page) => p.screenshot({ path: `/tmp/shots/${n}.png` });
const signIn = async (email = "ama@lantern.example") => {
  await page.goto(base + "/sign-in");
  await page.getByLabel("Mail address").fill(email);
  await page.getByLabel("Password").fill("lantern-moss");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL(/team/);
  await ctx.storageState({ path: state });
};
try {
  await new (Object.getPrototypeOf(async () => {}).constructor)(
    "page",
    "ctx",
    "make",
    "shot",
    "base",
    "signIn",
    fs.readFileSync(script, "utf8"),
  )(page, ctx, make, shot, base, signIn);
} catch (e) {
  console.log("FAIL", e.message.slice(0, 600));
  await shot("fail");
}
await browser.close();
