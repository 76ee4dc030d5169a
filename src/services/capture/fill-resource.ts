import { eq } from "drizzle-orm";
import type { FetchProblem, PageFacts } from "@/core/page/facts";
import { countWords, minutesOf } from "@/core/text/minutes";
import type { Tx } from "@/data/database";
import { keepCandidates } from "@/data/queries/contents";
import { writeEvents } from "@/data/queries/events";
import { lockResource, type ResourceRow, touchCollectionsOf } from "@/data/queries/resources";
import { type CopyOrigin, fileBlob, proposal, resource } from "@/data/schema";
import { transact } from "@/data/transaction";
import { now } from "@/outside/clock";
import { addressHash } from "@/outside/hash";
import { signal } from "@/outside/signals";
import type { KeptCopy } from "@/outside/threads/read-page-thread";
import { asEvent, database } from "../action";
import { applyRules } from "../rules/apply-rules";
import { findTwin, keepCopy } from "./keep-copy";

export type Picture = { hash: string; bytes: number };
export type Filling =
  | {
      ok: true;
      facts: PageFacts;
      finalAddress: string;
      picture: Picture | null;
      copy: KeptCopy | null;
      origin: CopyOrigin;
    }
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
    const change: Partial<typeof resource.$inferInsert> = { fetchedAt: at, updatedAt: at };
    if (filling.ok) {
      Object.assign(change, await changesOf(tx, row, filling), { fetchState: "done", fetchProblem: null });
      await tx.delete(proposal).where(eq(proposal.resource, id));
    } else Object.assign(change, { fetchState: "failed", fetchProblem: filling.problem });
    await tx.update(resource).set(change).where(eq(resource.id, id));
    await touchCollectionsOf(tx, [id], at);
    if (filling.ok && !row.fetchedAt) await applyRules(tx, id);
    await writeEvents(tx, [
      asEvent(
        {
          subject: id,
          data: { title: change.title ?? row.title, ok: filling.ok, twin: change.twinOf ?? null },
        },
        row.team,
        null,
        "resources.filled",
      ),
    ]);
  });
  signal("events");
  signal("jobs");
}

/** What changes in the row; the copy, the pictures on offer and the kept file are written beside it. */
async function changesOf(tx: Tx, row: ResourceRow, filling: Filling & { ok: true }) {
  const { facts, picture, copy } = filling;
  const typed = new Set(row.typed);
  const change: Partial<typeof resource.$inferInsert> = {};
  const canonical = row.address ? addressHash(facts.canonical ?? filling.finalAddress) : null;
  change.canonicalHash = canonical === row.addressHash ? null : canonical;
  const kept = copy ? await keepCopy(tx, row, copy, filling.origin) : false;
  const fields = {
    kind: facts.kind,
    title: facts.title,
    description: facts.description,
    siteName: facts.siteName,
    language: facts.language,
    published: facts.published,
    authors: facts.authors.length ? facts.authors : null,
    words: kept ? countWords(copy!.text) : facts.words,
    pages: facts.pages,
    seconds: facts.seconds,
    player: facts.player,
    pictureHash: picture?.hash ?? null,
  };
  for (const [field, value] of Object.entries(fields))
    if (value !== null && !typed.has(field)) Object.assign(change, { [field]: value });
  const merged = { ...row, ...change };
  change.minutes =
    merged.kind === "picture" ? null : minutesOf({ words: merged.words, seconds: merged.seconds });
  change.twinOf = await findTwin(tx, row, change.canonicalHash, copy?.signature ?? "");
  await keepCandidates(tx, row.id, facts.pictures);
  if (picture) await keepBlob(tx, picture, "image/webp");
  return change;
}

/** Notes that a file is kept. */
export async function keepBlob(tx: Tx, file: Picture, type: string): Promise<void> {
  await tx
    .insert(fileBlob)
    .values({ ...file, type, createdAt: now() })
    .onDuplicateKeyUpdate({ set: { bytes: file.bytes } });
}

/** Lays what a new look found before people, instead of writing it over what they know. */
export async function proposeFilling(id: string, filling: Filling & { ok: true }): Promise<void> {
  await transact(database(), async (tx) => {
    const row = await lockResource(tx, id);
    if (!row) return;
    const at = now();
    const values = {
      facts: { ...filling.facts, canonical: filling.facts.canonical ?? filling.finalAddress },
      pictureHash: filling.picture?.hash ?? null,
      copy: filling.copy,
      at,
    };
    if (filling.picture) await keepBlob(tx, filling.picture, "image/webp");
    await tx
      .insert(proposal)
      .values({ resource: id, ...values })
      .onDuplicateKeyUpdate({ set: values });
    await tx
      .update(resource)
      .set({ fetchState: "done", fetchProblem: null, updatedAt: at })
      .where(eq(resource.id, id));
    await writeEvents(tx, [
      asEvent({ subject: id, data: { title: row.title } }, row.team, null, "resources.proposed"),
    ]);
  });
  signal("events");
}
