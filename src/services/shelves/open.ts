import { newlyListed } from "@/data/queries/shelves";
import { reading } from "@/mechanism/action";
import { MaybeText } from "@/mechanism/input";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { requestAddress } from "@/outside/request-context";
import { areForEverybody } from "./for-everybody";
import { pageOf } from "./find";
import { asCard, upToDate } from "./shown";

/** So many of the newest are shown. */
const NEWEST = 40;

class LookAtShelves {
  /** Words, "phrases", -words, and tag: with a value; without any, what was made public last. */
  @MaybeText(500) query?: string;
}

export const lookAtShelves = reading({
  name: "shelves.open",
  about:
    "What teams have made public, the newest, or what words find, for whoever has no account; only where the installation says so.",
  input: LookAtShelves,
  allow: can.ask(),
  run: async ({ input, tx }) => {
    if (!(await areForEverybody(tx))) throw new Problem("not-found");
    const query = input.query?.trim() ?? "";
    const from = requestAddress();
    if (query && from && !(await within("publicSearches", from))) throw new Problem("too-many-searches");
    if (!query) {
      const rows = await upToDate(await newlyListed(tx, now(), null, NEWEST));
      return { collections: rows.map((row) => ({ ...asCard(row), passages: [] })) };
    }
    const { results } = await pageOf(tx, query, null, {});
    return {
      collections: results.map(({ score: _, marks: __, ...card }) => card),
    };
  },
});
