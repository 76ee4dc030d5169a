import { type Actor, STRANGER } from "@/mechanism/actor";
import { as, fillCollection } from "./fill";
import { type Figure, median, timed } from "./figures";

const LEARNERS = 200;
const ITEMS = 50;
/** So many each of them writes at. */
const WRITTEN = 10;

/** What it costs to hand fifty items out to two hundred, to see how far they are, and to correct it. */
export async function* measureHandouts(
  actor: Actor,
  team: string,
  resources: readonly string[],
): AsyncGenerator<Figure> {
  const collection = await fillCollection(actor, team, "For two hundred", resources.slice(0, ITEMS));
  const names = Array.from({ length: LEARNERS }, (_, i) => `Learner ${i + 1}`);
  const { group } = await as(actor, "groups.make", { team, title: "Two hundred", names });
  let handout = "";
  const handed = await timed(async () => {
    const made = await as(actor, "handouts.make", { collection, group: group.id, writes: true });
    handout = made.handout.id;
  });
  yield {
    what: `Handing ${ITEMS} items to ${LEARNERS} learners`,
    measured: `${handed.toFixed(0)} ms`,
    aim: "under 3 s",
    met: handed < 3_000,
  };

  const { items } = await as(actor, "collections.items", { collection });
  const { learners } = await as(actor, "groups.look", { group: group.id });
  const saved: number[] = [];
  for (const { card } of learners) {
    await as(STRANGER, "sheets.open", { card, handout });
    for (const { id: item } of items.slice(0, WRITTEN)) {
      const wrote = {
        card,
        handout,
        item,
        done: true,
        context: `As ${card} sees it`,
        answer: "Because of peat.",
      };
      saved.push(await timed(() => as(STRANGER, "sheets.write", wrote)));
    }
  }
  yield {
    what: `Saving what a learner wrote, p95 of ${saved.length}`,
    measured: `${saved.toSorted((a, b) => a - b)[Math.floor(saved.length * 0.95)]!.toFixed(0)} ms`,
    aim: "under 100 ms",
    met: saved.toSorted((a, b) => a - b)[Math.floor(saved.length * 0.95)]! < 100,
  };

  const seen: number[] = [];
  for (let i = 0; i < 9; i++) seen.push(await timed(() => as(actor, "handouts.overview", { handout })));
  yield {
    what: `All ${LEARNERS} side by side, with ${LEARNERS * WRITTEN} items written at, median of 9`,
    measured: `${median(seen).toFixed(0)} ms`,
    aim: "under 300 ms",
    met: median(seen) < 300,
  };

  for (const { id } of items.slice(0, 5))
    await as(actor, "placements.edit", { placement: id, context: "Other words than before" });
  await as(actor, "placements.remove", { placement: items[5]!.id });
  const looked = await timed(() => as(actor, "handouts.preview-correction", { handout }));
  const corrected = await timed(() => as(actor, "handouts.correct", { handout }));
  yield {
    what: `What a correction would bring to ${LEARNERS}; sending it`,
    measured: `${looked.toFixed(0)} ms; ${corrected.toFixed(0)} ms`,
    aim: "under 1 s; under 5 s",
    met: looked < 1_000 && corrected < 5_000,
  };

  const read: number[] = [];
  for (const { card } of learners.slice(0, 25))
    read.push(await timed(() => as(STRANGER, "sheets.read", { card, handout })));
  yield {
    what: "A sheet after the correction, what is written merged with what is given, median of 25",
    measured: `${median(read).toFixed(0)} ms`,
    aim: "under 50 ms",
    met: median(read) < 50,
  };
}
