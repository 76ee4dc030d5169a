import { readAddress } from "@/core/address/read-address";
import { joinNotes } from "@/core/imports/join-notes";
import { tagName } from "@/core/tags/tag-name";
import { noteSeen } from "@/data/queries/texts-and-files";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeText, MaybeTexts, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { storeFile } from "@/outside/files";
import { addressHash } from "@/outside/hash";
import { blank, fetchJob, pictureJob } from "../resources/blank";
import { findOrAdd } from "../resources/find-or-add";
import { putTags } from "../tags/put";
import { land } from "./land";

class CapturePage {
  @Id() team: string;
  @Name("an address", 4000) address: string;
  @MaybeText(500) title?: string;
  @MaybeText(4000) description?: string;
  /** The page as the person sees it, without forms' contents and scripts. */
  @MaybeText(3_000_000) html?: string;
  /** The picture chosen among the page's own. */
  @MaybeText(4000) picture?: string;
  @MaybeTexts(30, 80) tags?: string[];
  /** The context line, where it goes to a collection; else it is kept with the resource. */
  @MaybeText(4000) note?: string;
  @MaybeId() collection?: string;
  @MaybeId() section?: string | null;
  @MaybeId() after?: string | null;
  @MaybeId() placement?: string;
}

export const capturePage = action({
  name: "capture.page",
  about: "Brings in a page as somebody sees it in their browser, with the title, tags and note they gave.",
  input: CapturePage,
  allow: can.bringIn(),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: "bring in",
  run: async ({ input, scope, tx, locked, at, set, change, enqueue }) => {
    const read = readAddress(input.address);
    if (!read.ok) throw fieldProblem("address", "page-without-address");
    const hash = addressHash(read.address);
    const { team } = input;
    const seen = input.html ? await storeFile(Buffer.from(input.html)) : null;
    const { id, known, already } = await findOrAdd(
      tx,
      set,
      { team, person: scope.person!, sight: scope.sight, hash },
      (fresh) => ({
        ...blank(fresh, read.address, read.host),
        seenHash: seen,
        ...(input.title && { title: input.title }),
        ...(input.description && { description: input.description }),
        typed: [...(input.title ? ["title"] : []), ...(input.description ? ["description"] : [])],
      }),
    );
    // What was seen is worth more than what was fetched before; without it a known page is left as it is.
    if (!known || seen) {
      if (known && seen) await noteSeen(tx, id, seen);
      const job = fetchJob(id, team, at);
      enqueue({ ...job, payload: { ...job.payload, ...(already && { propose: true }) } });
    }
    if (input.picture) enqueue(pictureJob(id, team, input.picture, at));
    const tags = (input.tags ?? []).map(tagName).filter((name) => name !== null);
    if (tags.length) await putTags(tx, set, team, new Map([[id, tags]]), { along: true });
    const landed = await land({ input: { ...input, context: input.note }, scope, tx, locked, set }, id, {
      title: input.title || known?.title || read.host,
      already,
    });
    // Without a new place to stand there is no context line for it.
    if (input.note && !landed.item) {
      const notes = known?.notes ?? "";
      await change("resource", { id, notes }, { notes: joinNotes(notes, input.note) }, { forGood: true });
    }
    return landed;
  },
});
