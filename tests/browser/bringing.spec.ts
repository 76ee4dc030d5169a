import { at, expect, items, makeCollection, openCollection, paste, post, signIn, test } from "./hands";

const WORDS = "The water table stood four centimetres below the moss, the highest since the boards went in.";

test("files are dropped, arrive though the connection breaks, are read in place, and known again", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await makeCollection(page, "Dropped files");
  // The first piece is lost on the way; the protocol goes on by itself.
  let lost = 0;
  await page.route("**/api/files/*", (route) =>
    route.request().method() === "PATCH" && lost++ === 0 ? route.abort("connectionreset") : route.continue(),
  );
  const drop = (name: string, type: string, text: string) =>
    page.evaluate(
      ([fileName, fileType, content]) => {
        const data = new DataTransfer();
        data.items.add(new File([content!], fileName!, { type: fileType }));
        document.body.dispatchEvent(
          new DragEvent("drop", { dataTransfer: data, bubbles: true, cancelable: true }),
        );
      },
      [name, type, text],
    );
  await drop("Field notes.txt", "text/plain", `${WORDS}\n\n${"Second part of the notes. ".repeat(40)}`);
  // The protocol waits a moment before it tries again.
  await expect(page.getByText("Arrived")).toBeVisible({ timeout: 30_000 });
  expect(lost).toBeGreaterThan(1);
  await expect(items(page)).toHaveCount(1);
  await expect(items(page).first()).toContainText("Field notes");
  await drop("Same words.txt", "text/plain", `${WORDS}\n\n${"Second part of the notes. ".repeat(40)}`);
  await expect(page.getByText(/Stands in Dropped files already/)).toBeVisible();
  await items(page)
    .first()
    .getByRole("button", { name: /What to do with/ })
    .click();
  await page.getByRole("menuitem", { name: "Read it here" }).click();
  await expect(page.getByText(WORDS)).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: /^Save/ }).click(),
  ]);
  expect(download.suggestedFilename()).toBe("Field notes.txt");
});

test("a work by hand: the check digit is told while typing, a look-up fills in, what is missing is pointed out", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await makeCollection(page, "By hand");
  await page.keyboard.press("b");
  await page.getByRole("tab", { name: "By hand" }).click();
  const field = page.getByLabel("DOI or ISBN, if it has one");
  await field.fill("9780306406158");
  await expect(page.getByText("The check digit should be 7.")).toBeVisible();
  await field.fill("9780306406157");
  await field.press("Enter");
  await expect(page.getByLabel("Title", { exact: true })).toHaveValue(
    "The wet and the dry: a history of one moor",
  );
  await expect(page.getByLabel("Publisher", { exact: true })).toHaveValue("Heath Library Press");
  await page.getByLabel("Publisher", { exact: true }).fill("");
  await expect(page.getByText("A citation will miss: publisher.")).toBeVisible();
  await page.getByRole("dialog").getByRole("button", { name: "Bring in", exact: true }).click();
  await expect(items(page)).toHaveCount(1);
  await expect(items(page).first()).toContainText("The wet and the dry");
});

test("a newsletter is forwarded by mail and read without what reports back; its links are picked", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  await page.goto(`${page.url()}/mail`);
  await page.getByRole("button", { name: "Get an address", exact: true }).click();
  const address = await page.locator("code").first().textContent();
  const said = await post("/forward", { which: "peat-weekly", from: "ama@lantern.example", to: address! });
  expect(decodeURIComponent(said)).toContain("Sent to");
  const refused = await post("/forward", {
    which: "peat-weekly",
    from: "ama@lantern.example",
    to: "nobody@hobbin.localhost",
  });
  expect(decodeURIComponent(refused)).toContain("550");
  await page.goto(page.url().replace("/mail", ""));
  await openCollection(page, "Peatland course");
  const row = page
    .getByRole("list", { name: "Tray" })
    .getByRole("button", { name: /carbon, crane flies, and a wet spring/ });
  await row.click();
  const [room] = await Promise.all([page.context().waitForEvent("page"), page.keyboard.press("o")]);
  const outside: string[] = [];
  room.on("request", (request) => {
    if (!request.url().startsWith(new URL(room.url()).origin)) outside.push(request.url());
  });
  // It begins empty, and goes on from there.
  await room.waitForURL(/\/read\//);
  await room.reload();
  await expect(room.getByRole("heading", { level: 1 })).toContainText(
    "The Peat Weekly: carbon, crane flies, and a wet spring",
  );
  await expect(room.getByText("Keep your boots dry")).toBeVisible();
  await expect(room.getByText("Unsubscribe", { exact: true }).and(room.locator("label *"))).toHaveCount(0);
  expect(outside).toEqual([]);
  await room
    .getByRole("region", { name: "Links in this letter" })
    .getByLabel(/Why a wet bog/)
    .check();
  await room.getByRole("button", { name: "Bring 1 into my Tray" }).click();
  await expect(room.getByText("1 link waits in your Tray.")).toBeVisible();
});

test("a rule is written, looked at over what is here, and acts on what comes in; its item says so", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  const team = page.url();
  await makeCollection(page, "Acts by rule");
  const bench = page.url();
  await page.goto(`${team}/rules`);
  await page.getByRole("button", { name: "New rule" }).click();
  await page.getByLabel("Name of the rule").fill("From the moss key");
  await page.getByRole("button", { name: "Keep the rule" }).click();
  await expect(page.getByText("Name at least one: a site, a sender, a tag or a word.")).toBeVisible();
  await page.getByLabel("Site").fill("mosskey.localhost");
  await page.getByLabel("Goes to").selectOption({ label: "Acts by rule" });
  await page.getByLabel("Is tagged").fill("moss key");
  await page.getByLabel("When something fits").selectOption("yes");
  await page.getByRole("button", { name: "Keep the rule" }).click();
  await page.getByRole("button", { name: "What it fits already" }).click();
  await expect(page.getByText(/^It fits [1-9]/)).toBeVisible();
  await page.goto(bench);
  await page.goto(team);
  await page.keyboard.press("b");
  await page.getByLabel("Web address").fill(at("mosskey/many/7"));
  await page.getByRole("dialog").getByRole("button", { name: "Bring in", exact: true }).click();
  await page.goto(bench);
  await expect(items(page)).toHaveCount(1);
  await expect(items(page).first()).toContainText("moss key");
  await items(page).first().dblclick();
  await expect(page.getByText("Done by the rule From the moss key")).toBeVisible();
});

test("the same page under another address is noticed, and merged with what hangs on it; undo brings both back", async ({
  browser,
}) => {
  const page = await signIn(browser, "ama");
  const team = page.url();
  await makeCollection(page, "Twice here");
  await paste(page, at("peat-notebook/many/41"));
  await expect(items(page).first()).toContainText("Well 41");
  await paste(page, at("heath-library/many/41"));
  await expect(items(page)).toHaveCount(2);
  await expect(page.getByText("It seems to be in the catalogue twice")).toBeVisible();
  await page.goto(`${team}/duplicates`);
  const pair = page
    .getByRole("listitem")
    .filter({ hasText: "heath-library.localhost" })
    .filter({ hasText: "many/41" });
  await pair.getByRole("button", { name: /^Keep this one: Well 41, came first/ }).click();
  await expect(page.getByText(/^Merged/)).toBeVisible();
  await expect(pair).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(pair).toHaveCount(1);
});

test("fetched again: what is different is shown and taken; a text is pasted where nothing could be read", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea");
  await makeCollection(page, "Poor captures");
  await paste(page, at("bog-journal/many/3"));
  await expect(items(page).first()).toContainText("Well 3");
  await items(page).first().dblclick();
  await page.getByRole("button", { name: /^Title:/ }).click();
  await page.getByLabel("Title", { exact: true }).fill("Our name for it");
  await page.getByLabel("Title", { exact: true }).blur();
  await page.getByRole("button", { name: "Fetch again" }).click();
  await expect(page.getByText(/typed here, so it stays unless ticked/)).toBeVisible();
  await page.getByRole("button", { name: "Take what is ticked" }).click();
  await expect(items(page).first()).toContainText("Our name for it");
  await page.getByRole("button", { name: "Paste its text" }).click();
  await page.getByLabel("Its text").fill("Typed off the paper by hand, all of it.");
  await page.getByRole("button", { name: "Keep it" }).click();
  // At once, whether it has arrived or not.
  await page.getByRole("link", { name: "Read it here" }).click();
  await expect(page.getByText("Typed off the paper by hand, all of it.")).toBeVisible();
  await expect(page.getByText(/^Kept pasted by hand/)).toBeVisible();
});

test("from a phone without a connection: it waits on the device and goes later, once", async ({
  browser,
}) => {
  const page = await signIn(browser, "rhea", { viewport: { width: 390, height: 800 } });
  await page.goto("/bring?url=https%3A%2F%2Fphone.localhost%2Fshared&title=Shared");
  await page.getByLabel("Goes to").selectOption({ label: "Tray of Lantern Moss" });
  await page.context().setOffline(true);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("One thing waits on this device")).toBeVisible();
  await page.context().setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event("online")));
  await expect(page.getByText("One thing waits on this device")).toBeHidden();
  const newNote = Date.now();
  for (const said of ["Saved. Look at it", "Saved. It was in the catalogue already. Look at it"]) {
    await page.locator("input[type=file]").setInputFiles({
      name: "Note to self.txt",
      mimeType: "text/plain",
      // Another one each time this runs.
      buffer: Buffer.from(`Bring the long spade. ${newNote}`),
    });
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByRole("status").filter({ hasText: "Saved." })).toHaveText(said);
  }
  const tray = (await (
    await page.request.get(`/api/actions/tray.read?team=${await teamOf(page)}`)
  ).json()) as { entries: { resource: { title: string; address: string } }[] };
  expect(tray.entries.filter((one) => one.resource.address.includes("phone.localhost"))).toHaveLength(1);
  expect(tray.entries.map((one) => one.resource.title)).toContain("Note to self");
  await page.getByRole("link", { name: "Look at it" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Note to self" })).toBeVisible();
  const manifest = (await (await page.request.get("/manifest.webmanifest")).json()) as {
    share_target: { action: string };
  };
  expect(manifest.share_target.action).toBe("/bring/shared");
});

async function teamOf(page: Awaited<ReturnType<typeof signIn>>): Promise<string> {
  const { teams } = (await (await page.request.get("/api/actions/teams.read")).json()) as {
    teams: { id: string; name: string }[];
  };
  return teams.find((team) => team.name === "Lantern Moss")!.id;
}
