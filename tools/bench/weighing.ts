import { type Browser, chromium } from "@playwright/test";
import { eq } from "drizzle-orm";
import { alphaInterval } from "@/core/appraise/agreement/bootstrap";
import { drawing } from "@/core/appraise/agreement/random";
import { valuesOf } from "@/core/appraise/sides";
import { STARTER } from "@/core/appraise/starter-criteria";
import { coverage } from "@/core/outcomes/coverage";
import { appraisal, membership, placement, roundShare, serves } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId } from "@/outside/random";
import options from "../lib/chromium.json" with { type: "json" };
import { signIn } from "./bench-screen";
import { type Drawn, measureDrawing } from "./drawing";
import { as, fillCollection, somebody } from "./fill";
import { type Figure, median, timed } from "./figures";
import { measureFitting } from "./fitting";

const THINGS = 2_000;
const JUDGES = 8;
const OUTCOMES = 100;
const DRAWS = 2_000;
const AT_ONCE = 1_000;

async function inserted<Row>(rows: readonly Row[], insert: (part: Row[]) => PromiseLike<unknown>) {
  for (let i = 0; i < rows.length; i += AT_ONCE) await insert(rows.slice(i, i + AT_ONCE));
}

/** What it costs to look at a round of two thousand things that eight people have judged, to say how far they agree, and to judge. */
export async function* measureWeighing(
  actor: Actor,
  team: string,
  resources: readonly string[],
  base: string,
): AsyncGenerator<Figure> {
  const things = resources.slice(0, THINGS);
  const people = [actor.person!.id];
  while (people.length < JUDGES) {
    const other = await somebody(`judge-${people.length}@hobbin.example`);
    people.push(other.person!.id);
    await database()
      .insert(membership)
      .values({ id: newId(), team, person: other.person!.id, role: "contributor", createdAt: new Date() });
  }
  const { criteria } = await as(actor, "criteria.save", {
    team,
    name: "A source",
    content: STARTER.criteria,
  });
  const start = async (title: string, some: readonly string[], who: readonly string[]) => {
    const wish = {
      team,
      title,
      criteria: criteria.id,
      resources: some,
      people: who,
      each: who.length,
      blind: true,
    };
    return (await as(actor, "rounds.start", wish)).round.id;
  };
  const round = await start("Two thousand", things, people);
  const draw = drawing(41);
  const at = new Date();
  const shares = await database().select().from(roundShare).where(eq(roundShare.round, round));
  const worth = new Map(things.map((id) => [id, 1 + Math.floor(draw() * 3)]));
  await inserted(shares, (part) =>
    database()
      .insert(appraisal)
      .values(
        part.map(({ resource, person }) => ({
          ...{ id: newId(), team, resource, person, criteria: criteria.id, number: 1, round, whole: true },
          answers: Object.fromEntries(
            STARTER.criteria.map(({ id }) => [
              id,
              { step: draw() < 0.7 ? worth.get(resource)! : 1 + Math.floor(draw() * 3) },
            ]),
          ),
          ...{ copy: null, createdAt: at, updatedAt: at },
        })),
      ),
  );
  await as(actor, "rounds.edit", { round, state: "settling" });
  const looked: number[] = [];
  let seen = await as(actor, "rounds.look", { round });
  for (let i = 0; i < 9; i++)
    looked.push(await timed(async () => (seen = await as(actor, "rounds.look", { round }))));
  yield {
    what: `A round of ${THINGS} things and ${JUDGES} people, everybody’s answers, median of 9; its size as JSON`,
    measured: `${median(looked).toFixed(0)} ms; ${(JSON.stringify(seen).length / 2 ** 20).toFixed(1)} MB`,
    aim: "under 300 ms",
    met: median(looked) < 300,
  };

  const all = people.map((_, i) => i);
  const agreed = await timed(async () => {
    for (const at of STARTER.criteria.keys())
      alphaInterval(valuesOf(seen.things, at, all), "ordinal", { draws: DRAWS, random: drawing(1) });
  });
  yield {
    what: `Between which α of ${STARTER.criteria.length} questions lies, of that round, ${DRAWS} draws each, in one thread`,
    measured: `${agreed.toFixed(0)} ms`,
    aim: "under 2 s",
    met: agreed < 2_000,
  };

  const hundred = await start("A hundred", things.slice(0, 100), people.slice(0, 1));
  const browser = await chromium.launch(options);
  try {
    const onward = await goingOn(browser, actor, `${base}/team/${team}/appraisal/${hundred}`, base);
    yield {
      what: `From the key to the next thing and its questions on the screen, median of ${onward.length}; p95`,
      measured: `${median(onward).toFixed(0)} ms; ${onward.toSorted((a, b) => a - b)[Math.floor(onward.length * 0.95)]!.toFixed(0)} ms`,
      aim: "under 100 ms",
      met: median(onward) < 100,
    };
  } finally {
    await browser.close();
  }

  const collection = await fillCollection(actor, team, "For the outcomes", things.slice(0, 1_000));
  const text = Array.from({ length: OUTCOMES }, (_, i) => `${1 + Math.floor(i / 10)}.${i % 10} Outcome ${i}`);
  const { outcomes } = await as(actor, "outcomes.add", { team, text: text.join("\n") });
  const rows = await database()
    .select({ id: placement.id })
    .from(placement)
    .where(eq(placement.collection, collection));
  const placements = rows.map((row) => row.id);
  await inserted(
    placements.flatMap((one, i) =>
      [0, 1, 2].map((k) => ({
        ...{ placement: one, outcome: outcomes[(i * 7 + k * 31) % OUTCOMES]! },
        ...{ degree: k ? ("part" as const) : ("full" as const), createdAt: at },
      })),
    ),
    (part) => database().insert(serves).values(part),
  );
  const matrix: number[] = [];
  for (let i = 0; i < 9; i++)
    matrix.push(
      await timed(async () => {
        const { outcomes, servings } = await as(actor, "outcomes.read", { team });
        coverage(
          outcomes,
          servings.map((one) => ({ ...one, column: one.collection })),
        );
      }),
    );
  yield {
    what: `${OUTCOMES} outcomes and ${placements.length} items, each serving three of them: read and counted, median of 9`,
    measured: `${median(matrix).toFixed(0)} ms`,
    aim: "under 300 ms",
    met: median(matrix) < 300,
  };

  for (const [name, what, read] of [
    ["judged", "how far each is judged", () => as(actor, "appraisals.of-collection", { collection })],
    [
      "load",
      "how long each takes, what it serves and how good it was judged",
      () => as(actor, "load.read", { collection }),
    ],
    [
      "mix",
      "how mixed they are, by sites, authors, kinds, languages and years",
      () => as(actor, "mix.read", { team, collection }),
    ],
    ["catalogue", "how mixed the whole catalogue is", () => as(actor, "mix.read", { team })],
    ["course", "how long every collection of the team takes", () => as(actor, "load.course", { team })],
  ] as const) {
    const took: number[] = [];
    for (let i = 0; i < 9; i++) took.push(await timed(read));
    const of =
      name === "course" ? "All of them" : `Of ${placements.length} things ${JUDGES} people have judged`;
    yield {
      what: `${of}: ${what}, median of 9`,
      measured: `${median(took).toFixed(0)} ms`,
      aim: "under 300 ms",
      met: median(took) < 300,
    };
  }
  const everything = await fillCollection(actor, team, "All two thousand", things);
  yield* inBrowser(actor, base, [
    {
      what: `${THINGS} things by the questions ${JUDGES} people answered, side by side`,
      ...{ address: `${base}/team/${team}/appraisal/${round}`, parts: "[role=table] [role=row]", least: 8 },
      aim: 500,
    },
    {
      what: `How mixed a collection of ${THINGS} is, its charts`,
      ...{
        address: `${base}/team/${team}/mix?of=${everything}`,
        parts: ".recharts-bar-rectangles",
        least: 2,
      },
      aim: 500,
    },
    {
      what: `How long the collections of a team take, ${THINGS + 1_000} things and more, as a chart`,
      ...{ address: `${base}/team/${team}/time`, parts: ".recharts-bar-rectangles", least: 1 },
      aim: 500,
    },
  ]);
  yield* measureFitting();
}

/** The same, signed in. */
async function* inBrowser(actor: Actor, base: string, drawn: readonly Drawn[]): AsyncGenerator<Figure> {
  const browser = await chromium.launch(options);
  try {
    yield* measureDrawing(await signIn(browser, actor, base), drawn);
  } finally {
    await browser.close();
  }
}

/** Judges one thing after the other by keys, and says how long each was awaited. */
async function goingOn(browser: Browser, actor: Actor, address: string, base: string): Promise<number[]> {
  const page = await signIn(browser, actor, base);
  await page.goto(address);
  await page.getByText("1 of 100").waitFor();
  const took: number[] = [];
  for (let i = 0; i < 30; i++) {
    for (let question = 0; question < STARTER.criteria.length; question++) await page.keyboard.press("2");
    // What comes next has been asked for by then, as it has for whoever reads.
    await page.waitForTimeout(300);
    took.push(
      await page.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const title = () => document.querySelector("main h2")?.textContent;
            const before = title();
            const from = performance.now();
            const look = () =>
              title() === before ? requestAnimationFrame(look) : resolve(performance.now() - from);
            window.dispatchEvent(new KeyboardEvent("keydown", { key: "n", bubbles: true }));
            requestAnimationFrame(look);
          }),
      ),
    );
  }
  return took;
}
