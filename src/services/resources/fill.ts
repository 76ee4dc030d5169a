import type { FetchProblem, PageFacts } from "@/core/page/facts";
import { languageOf } from "@/core/text/language-of";
import { countWords, minutesOf } from "@/core/text/minutes";
import type { Tx } from "@/data/database";
import { lockResource, type ResourceRow } from "@/data/queries/resources";
import { dropProposal, noteFile, storeCandidates, storeProposal } from "@/data/queries/texts-and-files";
import type { CopyOrigin } from "@/data/schema";
import type { ChangeSet } from "@/mechanism/change-set";
import { changingByItself } from "@/mechanism/changing";
import { now } from "@/outside/clock";
import { addressHash } from "@/outside/hash";
import type { StoredCopy } from "@/outside/threads/read-page-thread";
import { applyRules } from "../rules/apply";
import { learnSiteName, siteNameOf } from "./site-name";
import { findDuplicate, storeCopy } from "./store-copy";

export type Picture = { hash: string; bytes: number };
export type Filling =
  | {
      ok: true;
      facts: PageFacts;
      finalAddress: string;
      picture: Picture | null;
      copy: StoredCopy | null;
      origin: CopyOrigin;
      /** There may be a text, which could not be taken out in time, or at all. */
      lacks?: "slow" | "scanned" | "locked" | null;
    }
  | { ok: false; problem: FetchProblem };

/**
 * Writes what a fetch found into the resource. Fields a person typed stay as they are, and nothing that was known
 * is replaced by nothing. Done by a job, on nobody's behalf.
 * @param id of the resource
 * @param filling what its page says, or why it could not be read
 */
export const fillResource = (id: string, filling: Filling): Promise<void> =>
  changingByItself(async (tx, begin) => {
    const row = await lockResource(tx, id);
    if (!row) return;
    const set = begin({ team: row.team, person: null });
    const fields: Partial<ResourceRow> = { fetchedAt: set.at };
    if (filling.ok) {
      Object.assign(fields, await fieldsOf(tx, set, row, filling), {
        fetchState: "done",
        fetchProblem: filling.lacks ?? null,
      });
      await dropProposal(tx, id);
    } else Object.assign(fields, { fetchState: "failed", fetchProblem: filling.problem });
    const say = { title: fields.title ?? row.title, ok: filling.ok };
    await set.change("resource", row, fields, { verb: "resources.filled", say });
    // Said for the first time; else the others have it.
    if (fields.siteName && !row.siteName) await learnSiteName(tx, set, { ...row, ...fields });
    if (filling.ok && !row.fetchedAt) await applyRules(tx, set, id);
  });

/** The fields that change; the copy, the pictures on offer and the stored file are written beside them. */
async function fieldsOf(tx: Tx, set: ChangeSet, row: ResourceRow, filling: Filling & { ok: true }) {
  const { facts, picture, copy } = filling;
  const typed = new Set(row.typed);
  const fields: Partial<ResourceRow> = {};
  const canonical = row.address ? addressHash(facts.canonical ?? filling.finalAddress) : null;
  fields.canonicalHash = canonical === row.addressHash ? null : canonical;
  const stored = copy ? await storeCopy(tx, set, row, copy, filling.origin) : false;
  const found = {
    kind: facts.kind,
    title: facts.title,
    description: facts.description,
    siteName: facts.siteName ?? (row.siteName ? null : await siteNameOf(tx, row)),
    language: facts.language ?? (row.language || !copy ? null : languageOf(copy.text)),
    licence: facts.licence,
    published: facts.published,
    authors: facts.authors.length ? facts.authors : null,
    words: stored ? countWords(copy!.text) : facts.words,
    pages: facts.pages,
    seconds: facts.seconds,
    player: facts.player,
    pictureHash: picture?.hash ?? null,
  };
  for (const [field, value] of Object.entries(found))
    if (value !== null && !typed.has(field)) Object.assign(fields, { [field]: value });
  const merged = { ...row, ...fields };
  fields.minutes = merged.kind === "picture" ? null : minutesOf(merged);
  fields.duplicateOf = await findDuplicate(tx, row, fields.canonicalHash, copy?.signature ?? "");
  await storeCandidates(tx, row.id, facts.pictures);
  if (picture) await noteFile(tx, { ...picture, type: "image/webp", createdAt: now() });
  return fields;
}

const withoutKept = ({ kept: _, ...copy }: StoredCopy) => copy;

/** Lays what a new look found before people, instead of writing it over what they know. */
export const proposeFilling = (id: string, filling: Filling & { ok: true }): Promise<void> =>
  changingByItself(async (tx, begin) => {
    const row = await lockResource(tx, id);
    if (!row) return;
    const set = begin({ team: row.team, person: null });
    if (filling.picture) await noteFile(tx, { ...filling.picture, type: "image/webp", createdAt: set.at });
    await storeProposal(tx, id, {
      facts: { ...filling.facts, canonical: filling.facts.canonical ?? filling.finalAddress },
      pictureHash: filling.picture?.hash ?? null,
      // Pictures of a file are of the copy that is in use; one that is laid before people has none yet.
      copy: filling.copy && withoutKept(filling.copy),
      at: set.at,
    });
    const fields = { fetchState: "done" as const, fetchProblem: null };
    await set.change("resource", row, fields, { verb: "resources.proposed", say: { title: row.title } });
    set.emit({ subject: id, verb: "resources.proposed", data: { title: row.title } });
  });
