import { readAddress } from "@/core/address/read-address";
import { heldFor } from "@/core/suggestions/held-for";
import {
  countWaitingIn,
  findSuggestion,
  suggestedBy,
  suggestionPageWhileOffering,
  type SuggestionRow,
} from "@/data/queries/suggestions";
import { noteFile } from "@/data/queries/texts-and-files";
import { action } from "@/mechanism/action";
import { Id, MaybeText, Name } from "@/mechanism/input";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { tellAgain } from "../notices/tell";
import { newShareCode } from "@/outside/random";
import { requestAddress } from "@/outside/request-context";
import { ADDRESS_WORDS } from "../capture/say-address";
import { saidToGiver } from "./said-to-giver";
import { letInJob } from "./let-in";
import { openedFile } from "./take-file";
import { mustTake } from "./takes-now";

class Offer {
  @Name("the code of the page", 24) page: string;
  /** So that a request sent twice suggests once. */
  @Id() suggestion: string;
  /** The code that came back with something suggested before; without it one is made. */
  @MaybeText(24) giver?: string;
  @Name("your name", 80) name: string;
  @MaybeText(2_000) address?: string;
  @MaybeText(16_000) text?: string;
  /** What came back for a file that was sent to the page. */
  @MaybeText(2_000) file?: string;
  @MaybeText(300) title?: string;
  /** Why it belongs there. */
  @MaybeText(2_000) why?: string;
}

/** So much may wait in one collection. */
export const MOST_WAITING = 2_000;

export const offerSuggestion = action({
  name: "suggestions.offer",
  about:
    "Suggests an address, some words or a file for a collection, under a name one gives, without an account. It waits for a look, or stands there at once where that is so. An id sent twice suggests once. Nothing is kept of where it came from.",
  input: Offer,
  allow: can.suggest(),
  counted: async ({ page }) => {
    const from = requestAddress();
    if (!from) return;
    if (!(await within("suggestions", from)) || !(await within("suggestedTo", page)))
      throw new Problem("too-many-suggestions");
  },
  // The page, in share mode, in `run`: those who suggest something do not wait for each other.
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, set }) => {
    const page = (await suggestionPageWhileOffering(tx, scope.page!.id))!;
    const there = await findSuggestion(tx, input.suggestion);
    if (there && there.collection !== page.collection) throw new Problem("id-taken");
    if (there) return { giver: there.giver, suggestion: saidToGiver(there) };
    mustTake(page, at);
    const row: SuggestionRow = {
      ...{ id: input.suggestion, team: page.team, collection: page.collection, name: input.name },
      giver: await giverOf(input.giver),
      ...(await whatIsOffered(input, page.id, at)),
      ...{ title: input.title ?? "", why: input.why ?? "" },
      ...{
        state: "waiting",
        byItself: false,
        heldFor: "",
        word: "",
        resource: null,
        betters: null,
        givenBy: null,
        givenFrom: null,
        createdAt: at,
        deletedAt: null,
      },
    };
    if ((await countWaitingIn(tx, page.collection)) >= MOST_WAITING) throw new Problem("suggestions-full");
    if (row.fileHash)
      await noteFile(tx, { hash: row.fileHash, bytes: row.fileBytes, type: row.fileType, createdAt: at });
    row.heldFor = (page.letsIn && heldFor(page.holds, row)) || "";
    row.byItself = page.letsIn && !row.heldFor;
    await set.add("suggestion", [row], { say: { title: scope.page!.title } });
    if (row.byItself) set.enqueue(letInJob(page.collection, page.team, at));
    else {
      const about = { team: page.team, collection: page.collection, subject: page.collection };
      await tellAgain({ tx, at, set }, about, page.createdBy, "suggested");
    }
    return { giver: row.giver, suggestion: saidToGiver(row) };

    /** Whoever has suggested something here goes on as the same; a code nobody has is no code. */
    async function giverOf(given?: string): Promise<string> {
      const known = given && (await suggestedBy(tx, page.collection, given)).length > 0;
      return known ? given : newShareCode();
    }
  },
});

/** What is offered: a file, else an address, else words. */
async function whatIsOffered({ address, text, file }: Offer, page: string, at: Date) {
  const none = { address: "", text: "", fileHash: null, fileSent: null };
  const noFile = { ...none, fileName: "", fileType: "", fileBytes: 0 };
  if (file) {
    const { sent, hash, name, type, bytes } = openedFile(file, page, at);
    const facts = { fileHash: hash, fileSent: sent, fileName: name, fileType: type, fileBytes: bytes };
    return { kind: "file" as const, ...none, ...facts, text: text ?? "" };
  }
  if (address) {
    const read = readAddress(address);
    if (!read.ok) throw fieldProblem("address", "address-not-taken", ADDRESS_WORDS[read.problem]);
    return { kind: "address" as const, ...noFile, address: read.address, text: text ?? "" };
  }
  if (!text) throw fieldProblem("text", "suggestion-without-anything");
  return { kind: "text" as const, ...noFile, text };
}
