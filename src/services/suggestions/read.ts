import { findCollection } from "@/data/queries/collections";
import { sectionsIn } from "@/data/queries/sections";
import { standingNow } from "@/data/queries/placements";
import {
  blockedBy,
  countWaitingIn,
  decidedIn,
  suggestionPageOf,
  type SuggestionRow,
  waitingIn,
} from "@/data/queries/suggestions";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { takesNow } from "./takes-now";

class ReadSuggestions {
  @Id() collection: string;
}

/** So many are shown at once; the others come when these are decided. */
const MOST = 200;
const MOST_DECIDED = 300;
/** Of what is decided so much of its words is shown. */
const BEGINNING = 300;

export const readSuggestions = reading({
  name: "suggestions.read",
  about:
    "What was suggested for a collection: what waits in the order in which it came, what was decided last, and where it is suggested.",
  input: ReadSuggestions,
  allow: can.arrange("collection"),
  run: async ({ input: { collection }, tx }) => {
    const [{ title, team }, page, waiting, decided, count, sections] = await Promise.all([
      findCollection(tx, collection).then((found) => found!),
      suggestionPageOf(tx, collection),
      waitingIn(tx, collection, MOST),
      decidedIn(tx, collection, MOST_DECIDED),
      countWaitingIn(tx, collection),
      sectionsIn(tx, [collection]),
    ]);
    const stands = await standingNow(
      tx,
      waiting.flatMap((row) => row.betters ?? []),
    );
    return {
      collection: { id: collection, title },
      sections: sections
        .toSorted((a, b) => (a.position < b.position ? -1 : 1))
        .map((one) => ({ id: one.id, title: one.title })),
      page: page && {
        ...{ link: page.link, code: page.code, open: page.open, takes: takesNow(page, now()) },
        ...{ letsIn: page.letsIn, holds: page.holds, ask: page.ask, until: page.until },
      },
      count,
      blocked: await blockedBy(tx, team),
      waiting: waiting.map((row) => ({
        ...shown(row),
        /** Of what it would make better: what stands there now; null: nothing does. */
        now: stands.get(row.betters ?? "")?.[row.kind === "link" ? "address" : "context"] ?? null,
      })),
      decided: decided.map((row) => shown({ ...row, text: row.text.slice(0, BEGINNING) })),
    };
  },
});

/** Whoever decides sees all but the code by which its giver comes back. */
const shown = ({
  giver: _,
  fileHash,
  fileSent: __,
  deletedAt: ___,
  team: ____,
  byItself: _____,
  givenFrom: ______,
  ...row
}: SuggestionRow) => ({
  ...row,
  hasFile: fileHash !== null,
});
