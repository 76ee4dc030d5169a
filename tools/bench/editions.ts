import { resourceText } from "@/data/schema";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { as, fillCollection } from "./fill";
import { type Figure, median, timed } from "./figures";
import { textOf } from "./texts";

/** What an edition of 2,000 items costs, each with a reading copy of some 20 kB: kept, kept again, compared, read. */
export async function* measureEditions(
  actor: Actor,
  team: string,
  resources: readonly string[],
  base: string,
): AsyncGenerator<Figure> {
  const at = new Date();
  const ids = resources.slice(-2_000);
  for (let from = 0; from < ids.length; from += 100)
    await database()
      .insert(resourceText)
      .values(
        ids.slice(from, from + 100).map((resource, i) => ({
          ...{ resource, text: "", signature: "", origin: "fetched" as const, at },
          html: `<p>${Array.from({ length: 5 }, (_, n) => textOf((from + i) * 5 + n)).join("</p><p>")}</p>`,
        })),
      );
  const collection = await fillCollection(actor, team, "An edition of two thousand", ids);
  const { code } = await as(actor, "share.set", { collection, audience: "link" });
  const keep = () => timed(() => as(actor, "editions.keep", { collection }));
  const change = (title: string) => as(actor, "collections.edit", { collection, title });

  const first = await keep();
  const more: number[] = [];
  for (let i = 0; i < 5; i++) {
    await change(`An edition of two thousand, ${i}`);
    more.push(await keep());
  }
  yield {
    what: "Keeping an edition of 2,000 items with their reading copies, the first time; later ones, median of 5",
    measured: `${(first / 1_000).toFixed(1)} s; ${(median(more) / 1_000).toFixed(1)} s`,
    aim: "under 5 s; under 2 s",
    met: first < 5_000 && median(more) < 2_000,
  };

  const compared: number[] = [];
  for (let i = 0; i < 5; i++)
    compared.push(await timed(() => as(actor, "editions.compare", { collection, from: 1 })));
  yield {
    what: "What changed in it since the first edition, median of 5",
    measured: `${median(compared).toFixed(0)} ms`,
    aim: "under 1 s",
    met: median(compared) < 1_000,
  };

  const read: number[] = [];
  for (let n = 1; n <= 6; n++)
    read.push(await timed(async () => (await fetch(`${base}/c/${code}/e/${n}`)).text()));
  const again: number[] = [];
  for (let n = 1; n <= 6; n++)
    again.push(await timed(async () => (await fetch(`${base}/c/${code}/e/${n}`)).text()));
  yield {
    what: "The reader’s page of it, the first time; again, medians of 6",
    measured: `${median(read).toFixed(0)} ms; ${median(again).toFixed(0)} ms`,
    aim: "under 1 s; under 50 ms",
    met: median(read) < 1_000 && median(again) < 50,
  };
}
