import { type Reason, REASONS } from "@/core/care/reasons";
import { addReport, countOpenReports } from "@/data/queries/care";
import { action } from "@/mechanism/action";
import { MaybeId, MaybeText, Name, OneOf } from "@/mechanism/input";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { requestAddress } from "@/outside/request-context";
import { shownBehind } from "../reader/shown-behind";

class SendReport {
  @Name("the code of a collection", 24) code: string;
  /** A collection inside it; left out: the whole. */
  @MaybeId() part?: string;
  @OneOf(REASONS) reason: Reason;
  @MaybeText(2_000) words?: string;
  /** Where whoever reports it can be asked. */
  @MaybeText(254) address?: string;
}

/** So much waits about one collection: what is said more often is known. */
const MOST_WAITING = 50;

export const sendReport = action({
  name: "reports.send",
  about:
    "Reports something public to the stewards of the installation, without an account. Nothing is kept of where it came from but what is said.",
  input: SendReport,
  allow: can.ask(),
  counted: async () => {
    const from = requestAddress();
    if (from && !(await within("reports", from))) throw new Problem("too-many-reports");
  },
  locks: null,
  history: null,
  run: async ({ input, tx, at }) => {
    const behind = await shownBehind(tx, input.code, now());
    const collection = input.part ?? behind?.root;
    if (!behind || !collection || !(collection === behind.root || behind.parts.has(collection)))
      throw new Problem("not-found");
    const { words = "", address = "", reason } = input;
    if (reason === "other" && !words.trim()) throw fieldProblem("words", "say-what-it-is");
    if (address && !/^[^\s@]+@[^\s@]+$/.test(address)) throw fieldProblem("address", "mail-address-wrong");
    if ((await countOpenReports(tx, collection)) < MOST_WAITING)
      await addReport(tx, {
        ...{ id: newId(), collection, reason, words, address, createdAt: at, closedAt: null },
      });
    return { sent: true };
  },
});
