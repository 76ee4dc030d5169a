import { keysAfter } from "@/core/order/place";
import { weigh } from "@/core/search/weigh";
import type { Listing } from "@/core/shelves/listing";
import { PUBLIC } from "@/core/shelves/public";
import { haveIndex, lockIndex, writeTerms } from "@/data/search/index-writes";
import { collection, listedAddress, listedTag, listing, shareLink } from "@/data/schema";
import { transact } from "@/data/transaction";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { newId, newShareCode } from "@/outside/random";
import { foundBy, hashesOf, keyed } from "@/services/shelves/listed-words";
import { packTeam } from "@/services/search/feed";
import { as, fillCollection } from "./fill";
import { WORDS } from "./texts";
import { type Figure, median, timed } from "./figures";

const COLLECTIONS = 20_000;
const ITEMS = 30;
const AT_ONCE = 250;
const SEARCHES = 200;
const CHANGES = 60;

const p95 = (values: number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length * 0.95)]!;

/** What it costs to find something among what is public, and to change what is. */
export async function* measureShelves(
  actor: Actor,
  team: string,
  resources: readonly string[],
): AsyncGenerator<Figure> {
  const lenders = (await as(actor, "teams.make", { name: "Lenders" })).team.id;
  await seed(lenders, (n) => `https://site-${n % 97}.example/${team}/${n}`);
  const took: number[] = [];
  let found = 0;
  for (let i = 0; i < SEARCHES + 20; i++) {
    // Words of every frequency, one or two of them.
    const word = (n: number) => WORDS[Math.floor(WORDS.length ** (((i * 13 + n * 29) % 97) / 97)) - 1]!;
    const query = i % 2 ? word(0) : `${word(0)} ${word(1)}`;
    const ms = await timed(async () => {
      found += (await as(actor, "shelves.find", { query })).results.length;
    });
    if (i >= 20) took.push(ms);
  }
  yield {
    what: `Finding words in ${COLLECTIONS.toLocaleString("en")} public collections of ${ITEMS} items (seeded into listing and index directly), ${SEARCHES} searches: median; p95; results of one`,
    measured: `${median(took).toFixed(0)} ms; ${p95(took).toFixed(0)} ms; ${(found / (SEARCHES + 20)).toFixed(0)}`,
    aim: "p95 under 150 ms",
    met: p95(took) < 150 && found > SEARCHES,
  };
  const newest: number[] = [];
  for (let i = 0; i < 30; i++) newest.push(await timed(() => as(actor, "shelves.newest", {})));
  yield {
    what: "The newest of them, median of 30",
    measured: `${median(newest).toFixed(0)} ms`,
    aim: "under 50 ms (own)",
    met: median(newest) < 50,
  };
  yield await nearness(actor, team, resources);
  yield await changing(actor, team, resources);
}

/** What resembles an open collection: its own words and pages looked for among all that are public. */
async function nearness(actor: Actor, team: string, resources: readonly string[]): Promise<Figure> {
  const some = resources.filter((_, i) => i % 37 === 0).slice(0, ITEMS);
  const own = await fillCollection(actor, team, `What ${WORDS[40]} and ${WORDS[90]} have in common`, some);
  const took: number[] = [];
  let pages = 0;
  for (let i = 0; i < 35; i++) {
    const ms = await timed(async () => {
      const { collections } = await as(actor, "shelves.near", { collection: own });
      pages = collections.reduce((sum, one) => sum + one.why.pages, 0);
    });
    if (i >= 5) took.push(ms);
  }
  return {
    what: `What is near to an open collection of ${ITEMS}, by pages, subjects and words, among them: median of 30; p95; pages in common with the ones shown`,
    measured: `${median(took).toFixed(0)} ms; ${p95(took).toFixed(0)} ms; ${pages}`,
    aim: "under 50 ms",
    met: median(took) < 50 && pages > 0,
  };
}

/** The same change in a collection of the team and in one that is public, by turns. */
async function changing(actor: Actor, team: string, resources: readonly string[]): Promise<Figure> {
  const both = {
    team: await fillCollection(actor, team, "Of the team", resources.slice(0, ITEMS)),
    public: await fillCollection(actor, team, "Of everybody", resources.slice(0, ITEMS)),
  };
  await as(actor, "share.set", { collection: both.public, audience: "public" });
  const took = { team: [] as number[], public: [] as number[] };
  for (let i = 0; i < CHANGES + 10; i++)
    for (const who of ["team", "public"] as const) {
      const input = { collection: both[who], description: `In other words ${i}` };
      const ms = await timed(() => as(actor, "collections.edit", input));
      if (i >= 10) took[who].push(ms);
    }
  return {
    what: `Changing a public collection beside one of the team, median of ${CHANGES}`,
    measured: `${median(took.public).toFixed(1)} to ${median(took.team).toFixed(1)} ms`,
    aim: "at most 1.5 times (own)",
    met: median(took.public) <= 1.5 * median(took.team),
  };
}

/** So many addresses they share, the first ones in many of them. */
const ADDRESSES = 5_000;

async function seed(team: string, addressOf: (n: number) => string): Promise<void> {
  await haveIndex(database(), PUBLIC);
  const began = Date.now() - COLLECTIONS * 60_000;
  const places = keysAfter(null, COLLECTIONS);
  for (let from = 0; from < COLLECTIONS; from += AT_ONCE) {
    const made = Array.from({ length: AT_ONCE }, (_, i) => {
      const n = from + i;
      return {
        id: newId(),
        at: new Date(began + n * 60_000),
        place: places[n]!,
        content: listingAbout(n, addressOf),
      };
    });
    await transact(database(), async (tx) => {
      await lockIndex(tx, PUBLIC, true);
      await tx.insert(collection).values(
        made.map(({ id, at, place, content }) => ({
          ...{ id, team, position: place, title: content.title, description: content.description },
          ...{ audience: "public" as const, createdAt: at, updatedAt: at },
        })),
      );
      await tx
        .insert(shareLink)
        .values(made.map(({ id, at }) => ({ code: newShareCode(), collection: id, createdAt: at })));
      await tx.insert(listing).values(
        made.map(({ id, at, content }) => ({
          ...{ collection: id, since: at, noted: 1, taken: 1, content, minutes: content.minutes },
          ...{ addresses: hashesOf(content).length, tagged: keyed(content.tags).size },
        })),
      );
      await tx
        .insert(listedAddress)
        .values(
          made.flatMap(({ id, content }) =>
            hashesOf(content).map((hash) => ({ hash, collection: id, team })),
          ),
        );
      await tx
        .insert(listedTag)
        .values(
          made.flatMap(({ id, content }) =>
            [...keyed(content.tags)].map(([key, name]) => ({ key, name, collection: id, team })),
          ),
        );
      await writeTerms(
        tx,
        PUBLIC,
        made.map(({ id, content }) => ({
          ...{ resource: id, fed: false, indexed: new Map(), counted: new Map(), now: new Map() },
          after: weigh(foundBy(content)),
        })),
      );
    });
  }
  await packTeam(PUBLIC);
}

/** A collection of made-up words, the same in every run. */
function listingAbout(n: number, addressOf: (n: number) => string): Listing {
  let state = n * 7_919 + 1;
  const roll = () => (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
  const words = (many: number) =>
    Array.from({ length: many }, () => WORDS[Math.floor(WORDS.length ** roll()) - 1]!).join(" ");
  return {
    ...{ title: words(4), description: words(20), language: "", use: null },
    ...{ count: ITEMS, minutes: 120, tags: [words(1), words(1)], sources: ["site.example"] },
    cloth: {
      threads: Array.from({ length: ITEMS }, () => ({ kind: "page" as const, minutes: 4 })),
      tags: [],
    },
    items: Array.from({ length: ITEMS }, () => ({
      ...{
        id: newId(),
        kind: "page" as const,
        address: addressOf(Math.floor(ADDRESSES ** roll())),
        minutes: 4,
        addedAt: "2026-03-01T08:00:00.000Z",
      },
      ...{ title: words(6), heading: "", context: words(12), description: words(15) },
      ...{ section: "", language: null },
    })),
  };
}
