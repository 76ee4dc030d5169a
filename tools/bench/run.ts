import { sql } from "drizzle-orm";
import { readFileSync, writeFileSync } from "node:fs";
import { inspect } from "node:util";
import { closeDatabase } from "@/data/database";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { settings } from "@/outside/settings";
import { measureArchives } from "./archives";
import { measureArranging } from "./arranging";
import { measureBench } from "./bench-screen";
import { measureCloth } from "./cloth";
import { measureDocuments, measureManyOut } from "./documents";
import { measureEditions } from "./editions";
import { as, fillCatalogue, fillCollection, somebody } from "./fill";
import { measureFinding } from "./finding";
import { asMarkdown, type Figure, median, type Paced, paceNow, timed } from "./figures";
import { measureFirstSight } from "./first-sight";
import { measureGoingOut } from "./going-out";
import { measureGrowth } from "./growth";
import { measureHandouts } from "./handouts";
import { measureImport } from "./imports";
import { measureLinks } from "./links";
import { measureListeners } from "./listeners";
import { measureMarks } from "./marks";
import { measureNewsletter } from "./newsletter";
import { measurePassersBy } from "./passers-by";
import { measurePdf } from "./pdf";
import { measureReader } from "./reader";
import { settled } from "./settled";
import { measureShelves } from "./shelves";
import { measureTaking } from "./taking";
import { measureTogether } from "./together";
import { measureTwenty } from "./twenty";
import { measureWeighing } from "./weighing";

const base = settings().address;
const actor = await somebody("bench@hobbin.example");
const { team: small } = await as(actor, "teams.make", { name: "Two thousand" });
const { team: large } = await as(actor, "teams.make", { name: "A hundred thousand" });
const few = await fillCatalogue(actor, small.id, 2_000);
const many = await fillCatalogue(actor, large.id, 100_000);
await database().execute(sql`analyze table resource, placement, resource_tag, tag, collection`);

const PARTS: Record<string, () => AsyncIterable<Figure> | Promise<Figure[]>> = {
  arranging: () => measureArranging(actor, small.id, few, base),
  finding: () => measureFinding(actor, { small: small.id, large: large.id }, few, many),
  cloth: measureCloth,
  bench: () => measureBench(actor, large.id, many, base),
  together: () => measureTogether(actor, small.id, few, { base, second: process.env.HOBBIN_SECOND! }),
  twenty: () => measureTwenty(actor, small.id, few, { base, second: process.env.HOBBIN_SECOND! }),
  listeners: () => measureListeners(actor, small.id, few, { base, pid: process.env.HOBBIN_FIRST! }),
  reader: () => measureReader(actor, large.id, many, base, process.env.HOBBIN_SECOND!),
  "first-sight": () => measureFirstSight(actor, small.id, few, base),
  "going-out": () => measureGoingOut(actor, large.id, many, base, process.env.HOBBIN_SECOND!),
  documents: async function* () {
    yield* measureDocuments(actor, small.id, few);
    yield* measureManyOut(actor, large.id, many);
  },
  archives: () => measureArchives(actor, large.id),
  editions: () => measureEditions(actor, large.id, many, base),
  handouts: () => measureHandouts(actor, large.id, many),
  "passers-by": () => measurePassersBy(actor, large.id, many),
  shelves: () => measureShelves(actor, small.id, few),
  taking: () => measureTaking(actor, small.id, few),
  weighing: () => measureWeighing(actor, small.id, few, base),
  newsletter: () => measureNewsletter(actor, small.id, few),
  reading: async () => [await measureReading(actor)],
  marks: () => measureMarks(actor, small.id, base),
  pdf: () => measurePdf(actor, small.id, base),
  growth: () => measureGrowth(actor),
  // It gives what is in the large catalogue other addresses.
  links: () => measureLinks(actor, large.id),
  import: () => measureImport(actor, base, process.env.HOBBIN_WEB_PORT!),
};
const wanted = process.argv.slice(2);
const page = "docs/bench.md";
// Each figure is said as soon as it is known and each part is kept when it is done: a later one may fail.
const figures: Paced[] = [];
const failed: string[] = [];
for (const [name, measure] of Object.entries(PARTS)) {
  if (wanted.length && !wanted.includes(name)) continue;
  await settled();
  const pace = paceNow();
  process.stdout.write(`${name}, at a pace of ${pace} ms\n`);
  try {
    for await (const figure of await measure()) {
      figures.push({ ...figure, pace });
      const { what, measured, aim, met } = figure;
      process.stdout.write(`${met ? "  " : "! "}${what}: ${measured} (${aim})\n`);
    }
  } catch (error) {
    failed.push(name);
    process.stderr.write(`${name}: ${inspect(error)}\n`);
  }
}
const whole = !wanted.length && !failed.length;
writeFileSync(page, asMarkdown(figures, new Date(), whole ? "" : readFileSync(page, "utf8")));
await closeDatabase();
process.exit(failed.length ? 1 : 0);

/** Reading a collection of 50 in a small and in a large catalogue, by turns. */
async function measureReading(actor: Actor): Promise<Figure> {
  const places = {
    small: await fillCollection(actor, small.id, "Fifty of a thousand", few.slice(0, 50)),
    large: await fillCollection(actor, large.id, "Fifty of a hundred thousand", many.slice(50_000, 50_050)),
  };
  const times = { small: [] as number[], large: [] as number[] };
  for (let i = 0; i < 220; i++)
    for (const size of ["small", "large"] as const) {
      const took = await timed(() => as(actor, "collections.read", { collection: places[size] }));
      if (i >= 20) times[size].push(took);
    }
  const ratio = median(times.large) / median(times.small);
  return {
    what: "Reading a collection in a catalogue of 100,000 beside one of 2,000, median of 200",
    measured: `${ratio.toFixed(2)} (${median(times.large).toFixed(1)} to ${median(times.small).toFixed(1)} ms)`,
    aim: "0.8 to 1.2",
    met: ratio <= 1.2,
  };
}
