import { readAddress } from "@/core/address/read-address";
import { noteIdentity, noteTitle } from "@/core/imports/identity";
import { asQuotation, passageAddress, SELECTOR_SCHEMA } from "@/core/imports/quotation";
import { type Look, LOOKS } from "@/core/list/view-setting";
import { countWords, minutesOf } from "@/core/text/minutes";
import { action } from "@/mechanism/action";
import { Id, MaybeDescribed, MaybeId, MaybeOneOf, MaybeText, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { empty } from "../resources/blank";
import { findOrAdd } from "../resources/find-or-add";
import { land } from "./land";

class CaptureNote {
  @Id() team: string;
  @Name("some text", 60_000) text: string;
  @MaybeText(500) title?: string;
  /** Of a quotation: the page it is from, that page's title, and where in it the passage stands. */
  @MaybeText(4000) source?: string;
  @MaybeText(500) sourceTitle?: string;
  @MaybeDescribed(SELECTOR_SCHEMA) selector?: object;
  @MaybeId() collection?: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  @MaybeId() placement?: string;
  /** As text between the items of the collection: it is itself alone, whatever its words. */
  @MaybeOneOf(LOOKS) look?: Look;
}

export const captureNote = action({
  name: "capture.note",
  about: "Keeps a note, or a passage of a page as a quotation with its source. The same words twice are one.",
  input: CaptureNote,
  allow: can.bringIn(),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "bring in",
  run: async ({ input, scope, tx, locked, set }) => {
    const { text } = input;
    const read = input.source ? readAddress(input.source) : null;
    if (read && !read.ok) throw fieldProblem("source", "source-not-web");
    const quotation = read ? asQuotation(input.selector, text) : null;
    const address = read && quotation ? passageAddress(read.address, quotation) : "";
    const hash = identityHash(
      input.look === "text"
        ? `text:${input.placement ?? newId()}`
        : noteIdentity(read ? `${read.address} ${text}` : text),
    );
    const words = countWords(text);
    const title = input.title || noteTitle(text);
    const whose = { team: input.team, person: scope.person!, sight: scope.sight, hash };
    const { id, already } = await findOrAdd(tx, set, whose, (fresh) => ({
      ...empty(fresh),
      kind: "note",
      address,
      host: read?.host ?? "",
      siteName: input.sourceTitle ?? "",
      title,
      description: text.slice(0, 16_000),
      words,
      minutes: minutesOf({ words, seconds: null }),
      quotation,
      typed: ["title", "description", "siteName"],
    }));
    return land({ input, scope, tx, locked, set }, id, { title, already });
  },
});
