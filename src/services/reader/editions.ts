import type { Changes } from "@/core/editions/changes";
import { compare } from "@/core/editions/compare";
import type { EditionListed } from "@/core/publish/editions-document";
import { findCollection } from "@/data/queries/collections";
import { database } from "@/mechanism/changing";
import { contentForReaders } from "../editions/content-for-readers";
import { look } from "./look";
import { type BehindEdition, editionBefore } from "./shown-behind";

/** The editions of what is shared under a code; null when nothing is, or none was kept. */
export async function editionsBehind(code: string) {
  const behind = await look(code);
  const found = behind && (await findCollection(database(), behind.root));
  if (!behind?.editions.length || !found) return null;
  const editions: EditionListed[] = behind.editions.map(({ createdAt, ...one }) => ({
    ...{ number: one.number, at: createdAt, words: one.words, isIssue: one.isIssue },
    withdrawnAt: one.withdrawnAt,
    hasBefore: editionBefore(behind.editions, one) !== undefined,
  }));
  return { title: found.title, language: found.language, shows: behind.shows, editions };
}

/**
 * What changed in an edition since the one before it that readers are still given.
 * @returns null when there is no such edition, or none before it
 */
export async function changesBehind(
  code: string,
  number: number,
): Promise<{ title: string; language: string; before: number; at: Date; changes: Changes } | null> {
  const behind = await look(code);
  const edition = behind?.editions.find((one) => one.number === number && !one.withdrawnAt);
  const before = edition && editionBefore(behind!.editions, edition);
  if (!edition || !before) return null;
  const given = ({ digest }: BehindEdition) => contentForReaders(database(), behind!.team, digest);
  const [old, own] = await Promise.all([given(before), given(edition)]);
  const { title, language } = own.collection;
  return {
    ...{ title, language, before: before.number, at: before.createdAt },
    changes: compare(old.collection, own.collection),
  };
}
