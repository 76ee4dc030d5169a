import { type Browser, expect, type Page, test as base } from "@playwright/test";
import { readFileSync } from "node:fs";
import http from "node:http";

/** So many times slower every page computes, to see the walks as a weak machine does them. */
const SLOWED = Number(process.env.HOBBIN_WALKS_SLOWED ?? 0);
export const WEB = process.env.HOBBIN_WEB_PORT!;
/** An address on the stand-in web. */
export const at = (place: string) => place.replace(/^([^/]+)/, `http://$1.localhost:${WEB}`);

/** Signs in through the interface; once a person and worker, afterwards the session is taken again. */
const sessions = new Map<
  string,
  Awaited<ReturnType<Awaited<ReturnType<Browser["newContext"]>>["storageState"]>>
>();
export async function signIn(
  browser: Browser,
  who: string,
  options: Parameters<Browser["newContext"]>[0] = {},
): Promise<Page> {
  const email = who.includes("@") ? who : `${who}@lantern.example`;
  const kept = sessions.get(email);
  const context = await browser.newContext({ ...options, ...(kept && { storageState: kept }) });
  const page = await context.newPage();
  await page.goto("/");
  if (!kept) {
    await page.getByLabel("Mail address").fill(email);
    await page.getByLabel("Password").fill("lantern-moss");
    await page.getByRole("button", { name: "Sign in" }).click();
    await page.waitForURL(/\/team\//);
    sessions.set(email, await context.storageState());
  }
  // Other tests make teams at the same time; these all happen in one.
  const { teams } = (await (await page.request.get("/api/actions/teams.read")).json()) as {
    teams: { id: string; name: string }[];
  };
  const team = teams.find((one) => one.name === "Lantern Moss");
  if (team) await page.goto(`/team/${team.id}`);
  return page;
}

export async function openCollection(page: Page, title: string): Promise<void> {
  const box = page.getByPlaceholder("Find anything, go anywhere");
  // Before the page is alive a key does nothing.
  await expect(async () => {
    if (!(await box.isVisible())) await page.keyboard.press("Control+k");
    await expect(box).toBeVisible({ timeout: 5_000 });
  }).toPass();
  await box.fill(title);
  await page.getByRole("option", { name: title, exact: true }).click();
  await expect(page.getByRole("heading", { level: 1, name: title })).toBeAttached();
}

/** A copy of a collection of the demo, so that tests at the same time do not disturb one another. */
export async function openCopy(page: Page, title: string): Promise<void> {
  await openCollection(page, title);
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "Duplicate", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1, name: `${title} (copy)` })).toBeAttached();
}

/** The tree of the team everybody has for themselves, where nobody else makes anything. */
export async function openOwnTree(page: Page): Promise<void> {
  const { teams } = (await (await page.request.get("/api/actions/teams.read")).json()) as {
    teams: { id: string; own: boolean }[];
  };
  await page.goto(`/team/${teams.find((one) => one.own)!.id}/collections`);
}

/** A collection in the tree. */
export const branch = (page: Page, title: string) =>
  page.getByRole("treeitem", { name: new RegExp(`^${title},`) });

/** Makes collections in the tree that is open. */
export async function makeBranches(page: Page, ...titles: string[]): Promise<void> {
  for (const title of titles) {
    await page.getByRole("button", { name: "New collection" }).click();
    await page.getByLabel("Title").fill(title);
    await page.getByRole("button", { name: "Make it" }).click();
    await expect(branch(page, title)).toBeFocused();
  }
}

/** Makes a collection and opens it. */
export async function makeCollection(page: Page, title: string): Promise<void> {
  await page.getByRole("button", { name: "New collection" }).click();
  await page.getByLabel("Title").fill(title);
  await page.getByRole("button", { name: "Make it" }).click();
  await page.waitForURL(/\/bench\//);
  await expect(page.getByText("Nothing stands here yet")).toBeVisible();
}

/** Waits until the browser has drawn what there is to draw by now. */
export const drawn = (page: Page): Promise<void> =>
  page.evaluate(
    () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(() => resolve()))),
  );

/** Pastes text onto the page, as Ctrl V does. */
export async function paste(page: Page, text: string): Promise<void> {
  await page.evaluate((pasted) => {
    const data = new DataTransfer();
    data.setData("text/plain", pasted);
    document.body.dispatchEvent(
      new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, text);
}

/** Takes the offer for this very resource: an earlier one may still be on its way out. */
export const placeIt = (page: Page, title: string) =>
  page
    .locator("[data-sonner-toast]", { hasText: `You have this already: ${title}` })
    .getByRole("button", { name: "Place it here" })
    .click();

export const items = (page: Page) => page.locator("[data-item]");
/** What the items that are drawn are called, without their numbers, in order. */
export const words = (page: Page) =>
  items(page).evaluateAll((rows) =>
    rows.map((row) => row.getAttribute("aria-label")!.replace(/^\d+\. /, "")),
  );

/** What everybody new chooses. */
export const NEWCOMERS_PASSWORD = "peat and water";

/** Signs somebody new up, by the letter they get, and leaves them at their empty Desk. */
export async function signUp(page: Page, name: string): Promise<void> {
  const email = `${name.split(" ")[0]!.toLowerCase()}-${Date.now()}@lantern.example`;
  await page.getByRole("link", { name: "Sign up" }).click();
  await page.getByLabel("Name").fill(name);
  await page.getByLabel("Mail address").fill(email);
  await page.keyboard.press("Enter");
  await page.getByRole("heading", { name: "Confirm your address" }).waitFor();
  await page.goto(linkIn(await messageTo(email, "Confirm your address")));
  await page.getByLabel("Password").fill(NEWCOMERS_PASSWORD);
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/team\//);
}

/** A person of their own, at their empty Desk, and how they do things by a request, to set the scene. */
export async function newcomer(
  browser: Browser,
  name: string,
  options: Parameters<Browser["newContext"]>[0] = {},
) {
  const context = await browser.newContext(options);
  const page = await context.newPage();
  await page.goto("/");
  await signUp(page, name);
  const origin = new URL(page.url()).origin;
  const team = /team\/([\w-]+)/.exec(page.url())![1]!;
  const act = async <T = Made>(name: string, data: object) => {
    const answer = await page.request.post(`/api/actions/${name}`, { data, headers: { origin } });
    expect(answer.status(), `${name}: ${await answer.text()}`).toBe(200);
    return (await answer.json()) as T;
  };
  return { context, page, team, origin, act };
}
/** What the answers of most changes have of these. */
type Made = {
  collection: { id: string };
  section: { id: string };
  item: { id: string };
  code: string;
  link: string;
};

/** The newest letter to an address, from the stand-in's mailbox. */
export async function messageTo(address: string, subject: string): Promise<string> {
  for (let i = 0; i < 100; i++) {
    const letters = JSON.parse(await mailbox(`/letters?to=${encodeURIComponent(address)}`)) as {
      subject: string;
      text: string;
    }[];
    const found = letters.find((letter) => letter.subject === subject);
    if (found) return found.text;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`no letter “${subject}” came to ${address}`);
}

/** Node does not resolve names under .localhost, so the name goes into the header. */
function mailbox(path: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const request = http.get(
      { host: "127.0.0.1", port: Number(WEB), path, headers: { host: "mail.localhost" } },
      (answer) => {
        let body = "";
        answer.on("data", (chunk) => (body += chunk)).on("end", () => resolve(body));
      },
    );
    request.on("error", reject);
  });
}

/** Sends a form of the stand-in's mail. @returns where it leads to */
export function post(path: string, form: Record<string, string>): Promise<string> {
  return new Promise((resolve, reject) => {
    const request = http.request(
      { host: "127.0.0.1", port: Number(WEB), path, method: "POST", headers: { host: "mail.localhost" } },
      (answer) => {
        answer.resume().on("end", () => resolve(answer.headers.location ?? ""));
      },
    );
    request.on("error", reject);
    request.end(new URLSearchParams(form).toString());
  });
}
export const linkIn = (text: string) => /https?:\/\/\S+/.exec(text)![0];

/** Looks that no page is against its policy, or asks for pages nobody goes to. Whatever a walk opened is closed behind it: pages left open go on listening and drawing beside the next walks. */
export const test = base.extend<{ closing: void }>({
  closing: [
    async ({ browser }, use) => {
      const refused: string[] = [];
      const beforehand: string[] = [];
      const open = browser.newContext.bind(browser);
      browser.newContext = async (...options) => {
        const context = await open(...options);
        context.on("console", (message) => {
          if (message.text().includes("Content Security Policy")) refused.push(message.text());
        });
        context.on("request", (request) => {
          if (request.headers()["next-router-prefetch"]) beforehand.push(request.url());
        });
        if (SLOWED)
          context.on("page", (page) => {
            void context
              .newCDPSession(page)
              .then((browser) => browser.send("Emulation.setCPUThrottlingRate", { rate: SLOWED }))
              .catch(() => undefined);
          });
        return context;
      };
      await use();
      await Promise.all(browser.contexts().map((context) => context.close()));
      browser.newContext = open;
      // Nothing a page of ours does is against its own policy.
      expect(refused).toEqual([]);
      // No page asks for what its links lead to.
      expect(beforehand).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect, readFileSync };

/** Publishes what is open on the Publish page by its one button. @returns the address for readers */
export async function share(page: Page): Promise<string> {
  await page.getByRole("button", { name: "Share and copy the address" }).click();
  await expect(page.getByRole("status").filter({ hasText: "Shared." })).toBeVisible();
  return page.getByLabel("Address for readers").inputValue();
}
