/** `npm run screenshots`: a picture of every main view, from fresh demo data, into docs/screenshots. */
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { stopAll } from "./lib/processes.mjs";
import { ROOT } from "./lib/project.mjs";
import { Stop } from "./lib/say.mjs";
import { startApplication } from "./lib/application.mjs";
import { ensureAll, seed, startAround } from "./lib/stack.mjs";

const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-pictures-"));

async function main() {
  await ensureAll();
  // The ports of the demo, so that the addresses in the pictures are the ones people see.
  const { port, web, env } = await startAround({ folder, base: 4800 });
  await seed(env, web);
  await startApplication({ env, port });
  await takeAll(`http://localhost:${port}`);
}

/** A list as somebody might paste it out of a mail. */
const LIST = `Before the field day:
Reading a peat core – http://peat-notebook.localhost:{web}/reading-a-core
Why hummocks are round: http://peat-notebook.localhost:{web}/many/12
(http://mosskey.localhost:{web}/sundew)

For the write-up:
Four springs in numbers – http://bog-journal.localhost:{web}/many/4
The station's own pages – www.lantern-moss.example/wells
htp://a-slip.example`;

async function takeAll(base) {
  const { chromium } = await import("@playwright/test");
  const options = JSON.parse(readFileSync(path.join(ROOT, "tools/lib/chromium.json"), "utf8"));
  const browser = await chromium.launch(options);
  const first = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await first.newPage();
  await page.goto(`${base}/sign-in`);
  await page.getByLabel("Mail address").fill("ama@lantern.example");
  await page.getByLabel("Password").fill("lantern-moss");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL(/\/team\//);
  const desk = page.url();
  const team = desk.split("/").at(-1);
  const storageState = await first.storageState();
  const { collections } = await (
    await page.request.get(`${base}/api/actions/collections.tree?team=${team}`)
  ).json();
  const idOf = (title) => collections.find((one) => one.title === title).id;
  const codeOf = async (title) =>
    (await (await page.request.get(`${base}/api/actions/collections.read?collection=${idOf(title)}`)).json())
      .collection.code;
  const week3 = idOf("Week 3: the water table");
  const phone = { viewport: { width: 390, height: 800 }, isMobile: true, hasTouch: true };

  const shot = async (name, address, options = {}, before = async () => {}) => {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      storageState,
      ...options,
    });
    const view = await context.newPage();
    await view.goto(address, { waitUntil: "load" });
    await view.waitForTimeout(1_200);
    await before(view);
    await view.screenshot({ path: path.join(ROOT, `docs/screenshots/${name}.png`) });
    await context.close();
  };
  const open = async (view) => {
    await view.locator("[data-item]").nth(1).focus();
    await view.keyboard.press("Enter");
    await view.waitForTimeout(800);
  };
  await shot("desk", desk);
  await shot("bench", `${base}/bench/${week3}`, {}, (view) => view.locator("[data-item]").nth(1).focus());
  await shot("bench-item-dark", `${base}/bench/${week3}`, { colorScheme: "dark" }, open);
  await shot("bench-board", `${base}/bench/${week3}`, {}, async (view) => {
    await view.locator("[data-item]").first().waitFor();
    await view.keyboard.press("3");
    await view.waitForTimeout(1_000);
    await view.locator("[data-item]").first().click();
    await view
      .locator("[data-item]")
      .nth(1)
      .click({ modifiers: ["Control"] });
    await view.waitForTimeout(800);
  });
  await shot("bench-table", `${base}/bench/${week3}`, {}, async (view) => {
    await view.keyboard.press("4");
    await view.waitForTimeout(1_000);
    await view.locator("[data-item]").nth(2).click();
  });
  await page.request.post(`${base}/api/actions/collections.set-view`, {
    data: { collection: week3, view: "rows", sort: "own", down: false, columns: [] },
  });
  await shot("catalogue", `${desk}/catalogue?q=water%20table`, {}, (view) => view.waitForTimeout(600));
  await shot("tags", `${desk}/tags`, {}, (view) => view.waitForTimeout(1_000));
  await shot("list", `${base}/bench/${week3}`, {}, async (view) => {
    await view.evaluate(
      (text) => {
        const data = new DataTransfer();
        data.setData("text/plain", text);
        document.body.dispatchEvent(
          new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }),
        );
      },
      LIST.replaceAll("{web}", String(Number(new URL(base).port) + 1)),
    );
    await view.waitForTimeout(1_500);
  });
  const { results } = await (
    await page.request.get(`${base}/api/actions/search.find?team=${team}&query=Ten%20myths`)
  ).json();
  await shot("reading-room", `${base}/read/${results[0].id}`, {}, (view) => view.waitForTimeout(800));
  const { rounds } = await (await page.request.get(`${base}/api/actions/rounds.read?team=${team}`)).json();
  const settling = rounds.find((one) => one.state === "settling").id;
  await shot("round", `${desk}/appraisal/${settling}`, {}, async (view) => {
    await view.getByRole("rowheader").first().click();
    await view.waitForTimeout(500);
  });
  await shot("bench-phone", `${base}/bench/${week3}`, phone);
  await shot("publish", `${base}/publish/${week3}`);
  const groups = await (await page.request.get(`${base}/api/actions/groups.read?team=${team}`)).json();
  const { handouts } = await (
    await page.request.get(`${base}/api/actions/groups.look?group=${groups.groups[0].id}`)
  ).json();
  await shot("handout", `${desk}/handouts/${handouts[0].id}`);
  await shot("suggestions", `${desk}/suggestions/${idOf("Moss key for beginners")}`);
  await shot("newsletter", `${base}/publish/${idOf("Spring newsletter")}/newsletter`);
  await shot("tray", `${desk}/tray`);
  const fresh = await page.request.post(`${base}/api/actions/teams.make`, { data: { name: "A first hour" } });
  await shot("first-hour", `${base}/team/${(await fresh.json()).team.id}`);
  await shot("reader", `${base}/c/${await codeOf("Week 3: the water table")}`);
  await shot("reader-phone", `${base}/c/${await codeOf("Week 3: the water table")}`, phone);
  await browser.close();
}

let code = 0;
try {
  await main();
} catch (error) {
  process.stderr.write(`${error instanceof Stop ? error.message : (error.stack ?? error)}\n`);
  code = 1;
}
await stopAll();
rmSync(folder, { recursive: true, force: true });
process.exit(code);
