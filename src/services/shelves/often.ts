import { FORGOTTEN, oftenCopied } from "@/core/shelves/often";
import { listedById } from "@/data/queries/listings";
import { onShelf, takenSince } from "@/data/queries/shelves";
import { reading } from "@/mechanism/action";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { cachedFor } from "../search/cached-for";
import { asCard, upToDate } from "./shown";
import { shelfOf, ShelfWish } from "./wish";

/** So many are shown, out of so many. */
const [SHOWN, AMONG] = [24, 500];
const DAY = 86_400_000;

/** The order of what is copied, which may be a little old; whether it is public is not. */
const order = cachedFor(60_000, async (tx) => {
  const at = now();
  return oftenCopied(await takenSince(tx, new Date(at.getTime() - FORGOTTEN * DAY)), at).slice(0, AMONG);
});

export const readOften = reading({
  name: "shelves.often",
  about:
    "The public collections other teams have taken up most: copied from with credit, shown in one of theirs, or followed. Each team counts once, by what it did last, and half as much for every 90 days since. Readers are not counted.",
  input: ShelfWish,
  allow: can.beSignedIn(),
  run: async ({ input, tx }) => {
    const often = await order(tx, "");
    const ids = await onShelf(
      tx,
      often.map((one) => one.id),
      shelfOf(input),
    );
    const rows = await listedById(tx, [...ids], now());
    const found = often.filter((one) => rows.has(one.id)).slice(0, SHOWN);
    const shown = await upToDate(found.map((one) => rows.get(one.id)!));
    const teams = new Map(found.map((one) => [one.id, one.teams]));
    return { collections: shown.map((row) => ({ ...asCard(row), takenUpBy: teams.get(row.id)! })) };
  },
});
