import { execFileSync } from "node:child_process";
import { axe } from "./axe";
import { expect, newcomer, test } from "./hands";

/** What who runs the installation does at a command line. */
const steward = (...words: string[]) =>
  execFileSync("node", ["tools/run-built.mjs", "steward", ...words], { encoding: "utf8" });

test("what is public is reported without an account, hidden by a steward with a word to its team, answered, and shown again", async ({
  browser,
}) => {
  const maker = await newcomer(browser, "Oda Reed");
  const { collection } = await maker.act("collections.make", {
    team: maker.team,
    title: "Gardens by the fen",
  });
  await maker.act("capture.note", { team: maker.team, text: "A gate", collection: collection.id });
  const { code } = await maker.act("share.set", { collection: collection.id, audience: "public" });
  const reader = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await reader.goto(`/c/${code}`);
  await reader.getByRole("link", { name: "Report this" }).click();
  await reader.getByRole("button", { name: "Send the report" }).click();
  await expect(reader.getByText("Choose what it is.")).toBeVisible();
  await reader.getByRole("radio", { name: "It shows something private" }).check();
  await reader.getByLabel("Which part, and why").fill("That is my garden.");
  await reader.getByLabel("Your mail address").fill("no address");
  await reader.getByRole("button", { name: "Send the report" }).click();
  await expect(reader.getByText("This is not a mail address.")).toBeVisible();
  await expect(reader.getByLabel("Which part, and why")).toHaveValue("That is my garden.");
  await reader.getByLabel("Your mail address").fill("");
  await reader.getByRole("button", { name: "Send the report" }).click();
  await expect(reader.getByRole("heading", { name: "The stewards have it" })).toBeVisible();
  // What looks for faults is a script itself.
  await maker.page.goto(`/c/${code}/report`);
  expect(await axe(maker.page)).toEqual([]);

  const { page } = await newcomer(browser, "Signe Ward");
  const { email } = (await (await page.request.get("/api/auth/get-session")).json()).user as {
    email: string;
  };
  await page.goto("/stewards");
  await expect(page.getByRole("heading", { name: "Stewards" })).toHaveCount(0);
  expect(steward("add", email)).toContain("Signe Ward is a steward now.");
  expect(steward("list")).toContain(email);
  await page.goto("/account");
  await page.getByRole("link", { name: /to be looked at$/ }).click();
  const reported = page.getByRole("region", { name: "Reported" }).getByRole("listitem");
  const mine = reported.filter({ hasText: "That is my garden." });
  await expect(mine).toContainText("Gardens by the fen");
  expect(await axe(page)).toEqual([]);
  await mine.getByRole("button", { name: "Hide “Gardens by the fen” …" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: "Hide it" }).click();
  await expect(dialog.getByText("Say why: they read it, and can answer.")).toBeVisible();
  await dialog.getByLabel("A word to the team").fill("A private garden is to be seen.");
  expect(await axe(page, { part: "[role=dialog]" })).toEqual([]);
  await dialog.getByRole("button", { name: "Hide it" }).click();
  const hidden = page.getByRole("region", { name: "Hidden from readers" }).getByRole("listitem");
  await expect(hidden.filter({ hasText: "Gardens by the fen" })).toBeVisible();
  await expect(async () => {
    expect((await reader.goto(`/c/${code}`))!.status()).toBe(404);
  }).toPass();

  // Its team is told on the Desk, and answers.
  await maker.page.goto(`/team/${maker.team}`);
  await maker.page.getByRole("link", { name: /The stewards hide from its readers/ }).click();
  await expect(maker.page.getByText("A private garden is to be seen.")).toBeVisible();
  await maker.page.getByLabel("Answer them").fill("The picture is out.");
  expect(await axe(maker.page, { without: "iframe" })).toEqual([]);
  await maker.page.getByRole("button", { name: "Send the answer" }).click();
  await expect(maker.page.getByText("You answered:")).toBeVisible();
  await page.reload();
  await expect(hidden.filter({ hasText: "The picture is out." })).toBeVisible();
  await page.getByRole("button", { name: "Show “Gardens by the fen” again" }).click();
  await expect(hidden.filter({ hasText: "Gardens by the fen" })).toHaveCount(0);
  await expect(async () => {
    expect((await reader.goto(`/c/${code}`))!.status()).toBe(200);
  }).toPass();
  expect(steward("remove", email)).toContain("is no steward any more");
});

test("a reader says that it helped, without an account and with script off, and those who made it read it", async ({
  browser,
}) => {
  const { page, team, act } = await newcomer(browser, "Oda Reed");
  const { collection } = await act("collections.make", { team, title: "Peat cores, opened" });
  await act("capture.note", { team, text: "Cut it lengthwise", collection: collection.id });
  const { code } = await act("share.set", { collection: collection.id, audience: "public" });
  const reader = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await reader.goto(`/c/${code}`);
  await reader.getByRole("link", { name: "Say that it helped" }).click();
  await reader.getByLabel("What it was good for").fill("My class has opened three of them.");
  await reader.getByRole("button", { name: "Say so" }).click();
  await expect(reader.getByRole("heading", { name: "They will be glad" })).toBeVisible();
  await page.goto(`/c/${code}/helped`);
  expect(await axe(page)).toEqual([]);

  await page.goto(`/team/${team}`);
  await page.getByRole("link", { name: /Readers say what it was good for/ }).click();
  const said = page.getByRole("region", { name: "It helped" });
  await expect(said).toContainText("My class has opened three of them.");
  await said.getByRole("button", { name: "Put away what a reader said" }).click();
  await expect(said).toHaveCount(0);
  await page.getByRole("button", { name: "Have it back" }).click();
  await expect(said).toContainText("My class has opened three of them.");
});
