import { axe } from "./axe";
import { expect, messageTo, linkIn, newcomer, signIn, test } from "./hands";

test("sign up, confirm by mail, sign out, forgotten password, sign in with the new one", async ({ page }) => {
  const email = `noor-${Date.now()}@lantern.example`;
  await page.goto("/sign-up");
  await page.getByRole("button", { name: "Sign up" }).click();
  await expect(page.getByText("Give your mail address.")).toBeVisible();
  await expect(page.getByLabel("Mail address")).toHaveValue("");
  await page.getByLabel("Name").fill("Noor Haddad");
  await page.getByLabel("Mail address").fill(email);
  await page.getByRole("button", { name: "Sign up" }).click();
  await expect(page.getByRole("heading", { name: "Confirm your address" })).toBeVisible();

  // By the link in the letter the password is chosen, and one is in.
  await page.goto(linkIn(await messageTo(email, "Confirm your address")));
  await expect(page.getByText(`For ${email}.`)).toBeVisible();
  await page.getByLabel("Password").fill("short");
  await page.getByRole("button", { name: "Take this password" }).click();
  await expect(page.getByText("At least 12 characters, please.")).toBeVisible();
  await page.getByLabel("Password").fill("peat and water");
  await page.getByRole("button", { name: "Take this password" }).click();
  await page.waitForURL(/\/team\//);
  await expect(page.getByRole("button", { name: "Noor Haddad’s own" })).toBeVisible();

  await page.getByRole("button", { name: /account$/ }).click();
  await page.getByRole("menuitem", { name: "Sign out" }).click();
  await page.waitForURL(/sign-in/);
  await page.getByRole("link", { name: "Forgotten the password?" }).click();
  await expect(page.getByRole("heading", { name: "Forgotten password" })).toBeVisible();
  await page.getByLabel("Mail address").fill(email);
  await page.getByRole("button", { name: "Send the link" }).click();
  await expect(page.getByRole("heading", { name: "Look into your mail" })).toBeVisible();
  await page.goto(linkIn(await messageTo(email, "Choose a new password")));
  await page.getByLabel("New password").fill("another bog entirely");
  await page.getByRole("button", { name: "Take this password" }).click();
  await page.getByRole("link", { name: "Sign in with it" }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await page.getByLabel("Mail address").fill(email);
  await page.getByLabel("Password").fill("peat and water");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByText(/do not go together/)).toBeVisible();
  await page.getByLabel("Password").fill("another bog entirely");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL(/\/team\//);
});

test("a team is made, others join by link in a role, which can be changed; a viewer cannot arrange", async ({
  browser,
}) => {
  const page = await signIn(browser, "jonas");
  await page.goto("/account");
  await page.getByLabel("New team").fill("Drain mappers");
  await page.getByRole("button", { name: "Make it" }).first().click();
  await page.waitForURL(/people/);
  const team = page.url().replace("/people", "");
  await page.getByLabel("As", { exact: true }).selectOption("viewer");
  await page.getByRole("button", { name: "Make a link" }).click();
  const join = await page.getByLabel(/^Viewer, until/).inputValue();

  const other = await signIn(browser, "rhea");
  await other.goto(join);
  await expect(other.getByRole("heading", { name: "Join Drain mappers" })).toBeVisible();
  await other.getByRole("button", { name: "Join" }).click();
  await other.waitForURL(team);
  await expect(other.getByText("Nothing is here yet")).toBeVisible();
  await expect(other.getByRole("button", { name: "New collection" })).toHaveCount(0);

  await page.reload();
  await page.getByLabel("Role of Rhea Tammik").selectOption("editor");
  await expect(page.getByLabel("Role of Rhea Tammik")).toHaveValue("editor");
  await expect(async () => {
    await other.reload();
    await expect(other.getByLabel("Name a collection, or paste links")).toBeVisible();
  }).toPass();
  const stranger = await signIn(browser, "bett");
  await stranger.goto(team);
  await expect(stranger.getByRole("heading", { name: "Nothing is here for you" })).toBeVisible();
});

test("several are invited by mail, pasted from a table; the letter is for its address alone, and is ended or sent again", async ({
  browser,
}) => {
  const { page, team: _, act } = await newcomer(browser, "Silke Bruch");
  const { team } = await act<{ team: { id: string } }>("teams.make", { name: "Sphagnum watch" });
  await page.goto(`/team/${team.id}/people`);
  const [first, second] = [`first-${team.id}@bog.example`, `second-${team.id}@bog.example`];
  await page.getByLabel("As", { exact: true }).selectOption("contributor");
  const field = page.getByLabel("By mail");
  await field.fill("Ada Fen\tada@");
  await page.getByRole("button", { name: "Send the invitation" }).click();
  await expect(page.getByText("“ada@” is no mail address.")).toBeVisible();
  await field.fill(`Name\tMail\nAda Fen\t${first}\nBen Reed\t${second}`);
  await page.getByRole("button", { name: "Send the invitations" }).click();
  const open = page.getByRole("list", { name: "Open invitations" }).getByRole("listitem");
  await expect(open).toHaveCount(2);
  expect(await axe(page)).toEqual([]);
  const join = linkIn(await messageTo(first, "Silke Bruch invites you to “Sphagnum watch”"));

  // Somebody else it was handed on to.
  const other = await newcomer(browser, "Tjark Ried");
  await other.page.goto(join);
  await expect(other.page.getByText(`It was sent to ${first}.`)).toBeVisible();
  await expect(other.page.getByRole("button", { name: "Join" })).toHaveCount(0);
  await page.getByRole("button", { name: `End the invitation of ${first}` }).click();
  await expect(open).toHaveCount(1);
  await page.getByRole("button", { name: `Send it again to ${second}` }).click();
  await expect(page.getByText(`Sent again to ${second}.`)).toBeVisible();
  await other.page.reload();
  await expect(
    other.page.getByRole("heading", { name: "This invitation does not hold any more" }),
  ).toBeVisible();
});

test("an access token works as Bearer, is shown once, and ends when revoked; failures are problem details", async ({
  browser,
  request,
}) => {
  const page = await signIn(browser, "ama");
  await page.goto("/account");
  await page.getByLabel("What the new token is for").fill("A script");
  await page.getByRole("button", { name: "Make it" }).last().click();
  const token = (await page.locator("code").textContent())!;
  const headers = { authorization: `Bearer ${token}` };
  const teams = await (await request.get("/api/actions/teams.read", { headers })).json();
  const team = teams.teams.find((one: { name: string }) => one.name === "Lantern Moss").id;
  const made = await request.post("/api/actions/collections.make", {
    headers,
    data: { team, title: "Made by a script" },
  });
  expect(made.status()).toBe(200);
  const wrong = await request.post("/api/actions/collections.make", { headers, data: { team, title: "" } });
  expect(wrong.status()).toBe(422);
  expect(wrong.headers()["content-type"]).toBe("application/problem+json");
  expect(await wrong.json()).toMatchObject({
    type: "urn:hobbin:problem:not-valid",
    status: 422,
    errors: [{ pointer: "#/title", detail: "Give a title." }],
  });
  expect((await request.get("/api/actions/collections.make", { headers })).status()).toBe(403);
  expect((await request.post("/api/actions/no.such", { headers, data: {} })).status()).toBe(404);
  await page
    .getByRole("listitem")
    .filter({ hasText: "A script" })
    .getByRole("button", { name: "Revoke" })
    .click();
  await expect(page.getByText("A script")).toHaveCount(0);
  expect((await request.get("/api/actions/teams.read", { headers })).status()).toBe(401);
  expect((await request.get("/api/actions/teams.read")).status()).toBe(401);
});

test("health, the description, and a change another site sends along", async ({ browser, request }) => {
  const health = await request.get("/api/health");
  expect([health.status(), await health.json()]).toMatchObject([
    200,
    { status: "up", database: "up", workers: "up" },
  ]);
  expect((await (await request.get("/api/openapi.json")).json()).openapi).toBe("3.1.0");
  const page = await signIn(browser, "ama");
  const forged = await page.request.post("/api/actions/teams.make", {
    data: { name: "Forged" },
    headers: { origin: "https://evil.example" },
  });
  expect(forged.status()).toBe(403);
});
