import { eq } from "drizzle-orm";
import type { FetchProblem, PageFacts } from "@/core/page/facts";
import { minutesOf } from "@/core/text/minutes";
import { writeEvents } from "@/data/queries/events";
import { lockResource, touchCollectionsOf } from "@/data/queries/resources";
import { fileBlob, resource } from "@/data/schema";
import { transact } from "@/data/transaction";
import { now } from "@/outside/clock";
import { addressHash } from "@/outside/hash";
import { signal } from "@/outside/signals";
import { asEvent, database } from "../action";

export type Filling =
  | { ok: true; facts: PageFacts; finalAddress: string; picture: { hash: string; bytes: number } | null }
  | { ok: false; problem: FetchProblem };

/**
 * Writes what a fetch found into the resource. Fields a person typed stay as they are, and nothing that was known
 * is replaced by nothing. Done by a job, on nobody's behalf.
 */
export async function fillResource(id: string, filling: Filling): Promise<void> {
  await transact(database(), async (tx) => {
    const row = await lockResource(tx, id);
    if (!row) return;
    const at = now();
    const typed = new Set(row.typed);
    const change: Partial<typeof resource.$inferInsert> = { fetchedAt: at, updatedAt: at };
    if (filling.ok) {
      const { facts } = filling;
      const canonical = addressHash(facts.canonical ?? filling.finalAddress);
      Object.assign(change, {
        fetchState: "done",
        fetchProblem: null,
        canonicalHash: canonical === row.addressHash ? null : canonical,
      });
      const fields = {
        kind: facts.kind,
        title: facts.title,
        description: facts.description,
        siteName: facts.siteName,
        language: facts.language,
        published: facts.published,
        authors: facts.authors.length ? facts.authors : null,
        words: facts.words,
        pages: facts.pages,
        seconds: facts.seconds,
        player: facts.player,
        pictureHash: filling.picture?.hash ?? null,
      };
      for (const [field, value] of Object.entries(fields))
        if (value !== null && !typed.has(field)) Object.assign(change, { [field]: value });
      const merged = { ...row, ...change };
      change.minutes =
        merged.kind === "picture" ? null : minutesOf({ words: merged.words, seconds: merged.seconds });
      if (filling.picture)
        await tx
          .insert(fileBlob)
          .values({ ...filling.picture, type: "image/webp", createdAt: at })
          .onDuplicateKeyUpdate({ set: { bytes: filling.picture.bytes } });
    } else Object.assign(change, { fetchState: "failed", fetchProblem: filling.problem });
    await tx.update(resource).set(change).where(eq(resource.id, id));
    await touchCollectionsOf(tx, [id], at);
    await writeEvents(tx, [
      asEvent(
        { subject: id, data: { title: change.title ?? row.title, ok: filling.ok } },
        row.team,
        null,
        "resources.filled",
      ),
    ]);
  });
  signal("events");
}
