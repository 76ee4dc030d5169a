import { eq } from "drizzle-orm";
import { readAddress } from "@/core/address/read-address";
import { joinNotes } from "@/core/intake/join-notes";
import { tagName } from "@/core/tags/tag-name";
import { findByAddress } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { keepFile } from "@/outside/files";
import { addressHash } from "@/outside/hash";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id, MaybeId, MaybeText, MaybeTexts, Name } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";
import { putTags } from "../tags/add-tags";
import { blank, fetchJob } from "./blank";
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
  allow: can.bring("team"),
  run: async ({ input, scope, tx, tell, did, later }) => {
    const read = readAddress(input.address);
    if (!read.ok) throw fieldProblem("address", "This page has no web address that could be kept.");
    const hash = addressHash(read.address);
    const known = await findByAddress(tx, input.team, hash);
    const id = known?.id ?? newId();
    const at = now();
    const already = Boolean(known && !known.deletedAt);
    const seen = input.html ? await keepFile(Buffer.from(input.html)) : null;
    const typed = [...(input.title ? ["title"] : []), ...(input.description ? ["description"] : [])];
    if (!known)
      await tx.insert(resource).values({
        ...blank(id, read.address, read.host),
        ...(input.title && { title: input.title }),
        ...(input.description && { description: input.description }),
        typed,
        team: input.team,
        addressHash: hash,
        addedBy: scope.person!,
        createdAt: at,
        updatedAt: at,
      });
    else if (known.deletedAt)
      await tx.update(resource).set({ deletedAt: null, updatedAt: at }).where(eq(resource.id, id));
    // What was seen is worth more than what was fetched before; without it a known page is left as it is.
    if (!known || seen) {
      const job = fetchJob(id, input.team, at);
      later({
        ...job,
        payload: { ...job.payload, ...(seen && { seen }), ...(already && { propose: true }) },
      });
    }
    if (input.picture)
      later({
        id: newId(),
        kind: "picture.fetch",
        uniqueKey: `picture.fetch:${id}`,
        team: input.team,
        payload: { resource: id, address: input.picture },
        createdAt: at,
      });
    const tags = (input.tags ?? []).map(tagName).filter((name) => name !== null);
    if (tags.length) await putTags(tx, input.team, new Map([[id, tags]]));
    const landed = await land({ input: { ...input, context: input.note }, scope, tx, tell, did }, id, {
      title: input.title || known?.title || read.host,
      already,
    });
    // Without a new place to stand there is no context line for it.
    if (input.note && !landed.item) {
      const notes = joinNotes(known?.notes, input.note);
      await tx.update(resource).set({ notes, updatedAt: at }).where(eq(resource.id, id));
    }
    return landed;
  },
});
