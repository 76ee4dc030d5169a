import { type LessonPlan, planDocument } from "../../src/core/lesson/plan-document";
import chromium from "../../tools/lib/chromium.json" with { type: "json" };
import { axe } from "./axe";
import { expect, openCollection, newcomer, test } from "./hands";

// A microphone that is none, and a person who allows it.
test.use({
  launchOptions: {
    ...chromium,
    args: [...(chromium.args ?? []), "--use-fake-device-for-media-stream", "--use-fake-ui-for-media-stream"],
  },
});

test("a lesson: phases whose clock adds up, a spoken word, two sides on paper, and learners see theirs", async ({
  browser,
}) => {
  const { context, page, team, act } = await newcomer(browser, "Bryony Lund", {
    permissions: ["microphone"],
  });
  const { id } = (await act("collections.make", { team, title: "How wet is wet?" })).collection;
  await openCollection(page, "How wet is wet?");
  await page.getByRole("button", { name: "What to do with this collection" }).click();
  await page.getByRole("menuitem", { name: "A lesson" }).click();
  await page.getByRole("link", { name: "Plan", exact: true }).click();
  await page.getByLabel("What learners can do afterwards").fill("Read a water level off a pipe");
  await page.getByLabel("Minutes there are").fill("40");
  await page.keyboard.press("Enter");
  await expect(page.getByText("45 of 40 minutes, 5 too many")).toBeVisible();
  await page.getByLabel("Minutes of Finding out").fill("15");
  await page.keyboard.press("Enter");
  await expect(page.getByText("40 of 40 minutes", { exact: true })).toBeVisible();
  await page.getByLabel("It begins at").fill("08:15");
  await expect(page.getByText("08:25–08:40")).toBeVisible();
  const phase = page
    .getByRole("listitem")
    .filter({ has: page.getByRole("heading", { name: "Finding out" }) });
  await phase.getByLabel("What you do").fill("Hand out the pipes; say nothing.");
  await phase.getByLabel("What learners do").fill("Measure three times.");
  await phase.getByRole("button", { name: "Speak a word of instruction for Finding out" }).click();
  await expect(phase.getByRole("timer")).toContainText("0:02 of 10:00");
  await phase.getByRole("button", { name: "Stop, and keep it" }).click();
  await expect(phase.getByRole("listitem").getByText("Finding out, spoken")).toBeVisible({ timeout: 30_000 });
  expect(await axe(page)).toEqual([]);

  const paper = await context.newPage();
  await paper.goto(`/api/plan/${id}?at=08:15`);
  const row = paper.getByRole("row").filter({ hasText: "Finding out" }).first();
  for (const said of ["08:25–08:40", "Hand out the pipes; say nothing.", "Measure three times.", "spoken"])
    await expect(row).toContainText(said);
  expect(await axe(paper)).toEqual([]);

  const { code } = await act("share.set", { collection: id, audience: "link" });
  const reader = await (await browser.newContext()).newPage();
  await expect(async () => {
    await reader.goto(`/c/${code}`);
    await expect(reader.getByText("Measure three times.")).toBeVisible({ timeout: 1_000 });
  }).toPass();
  await expect(reader.getByText("Hand out the pipes")).toHaveCount(0);
  // Where learners have nothing to do, the phase is the teacher's own.
  await expect(reader.getByRole("heading", { name: "To begin with" })).toHaveCount(0);
  expect(await axe(reader)).toEqual([]);
});

test("a plan of a double lesson in seven phases, with all that is said and laid ready, is two pages on paper", async ({
  page,
}) => {
  const said = "Everybody looks for a minute and says nothing; then each writes down what moved. ".repeat(3);
  const phase = (n: number): LessonPlan["phases"][number] => ({
    ...{ id: String(n), title: `Phase ${n}: looking twice`, minutes: 12, teacher: said, learners: said },
    items: [1, 2, 3].map((i) => ({
      ...{ id: `${n}-${i}`, title: `What lies ready for it, number ${i}`, context: "" },
      ...{ kind: "page" as const, minutes: 3, forReaders: i !== 3 },
    })),
  });
  const phases = [1, 2, 3, 4, 5, 6, 7].map(phase);
  const plan = { title: "How wet is wet?", aim: said, teamName: "Lantern Moss", time: 90, phases };
  await page.setContent(planDocument(plan, "08:15"));
  const paper = (await page.pdf({ preferCSSPageSize: true })).toString("latin1");
  expect(paper.match(/\/Type\s*\/Page\b/g)).toHaveLength(2);
});
