import { eq } from "drizzle-orm";
import { IsObject, IsOptional } from "class-validator";
import { readAddress } from "@/core/address/read-address";
import { noteIdentity, noteTitle } from "@/core/intake/identity";
import { type Look, LOOKS } from "@/core/list/view-setting";
import { asQuotation, passageAddress } from "@/core/intake/quotation";
import { countWords, minutesOf } from "@/core/text/minutes";
import { findByAddress } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { identityHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id, MaybeId, MaybeOneOf, MaybeText, Name } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";
import { empty } from "./blank";
import { land } from "./land";

class CaptureNote {
  @Id() team: string;
  @Name("some text", 60_000) text: string;
  @MaybeText(500) title?: string;
  /** Of a quotation: the page it is from, that page's title, and where in it the passage stands. */
  @MaybeText(4000) source?: string;
  @MaybeText(500) sourceTitle?: string;
  @IsOptional() @IsObject() selector?: object;
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
  allow: can.bring("team"),
  run: async ({ input, scope, tx, tell, did }) => {
    const { text } = input;
    const read = input.source ? readAddress(input.source) : null;
    if (read && !read.ok) throw fieldProblem("source", "The source is not a web address.");
    const quotation = read ? asQuotation(input.selector, text) : null;
    const address = read && quotation ? passageAddress(read.address, quotation) : "";
    const fresh = newId();
    const hash = identityHash(
      input.look === "text"
        ? `text:${input.placement ?? fresh}`
        : noteIdentity(read ? `${read.address} ${text}` : text),
    );
    const known = await findByAddress(tx, input.team, hash);
    const id = known?.id ?? fresh;
    const at = now();
    const words = countWords(text);
    if (!known)
      await tx.insert(resource).values({
        ...empty(id),
        kind: "note",
        address,
        host: read?.host ?? "",
        siteName: input.sourceTitle ?? "",
        title: input.title || noteTitle(text),
        description: text.slice(0, 16_000),
        words,
        minutes: minutesOf({ words, seconds: null }),
        quotation,
        typed: ["title", "description", "siteName"],
        team: input.team,
        addressHash: hash,
        addedBy: scope.person!,
        createdAt: at,
        updatedAt: at,
      });
    else if (known.deletedAt) await tx.update(resource).set({ deletedAt: null }).where(eq(resource.id, id));
    return land({ input, scope, tx, tell, did }, id, {
      title: input.title || noteTitle(text),
      already: Boolean(known && !known.deletedAt),
    });
  },
});
