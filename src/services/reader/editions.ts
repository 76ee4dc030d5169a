import type { Changes } from "@/core/editions/changes";
import { compare } from "@/core/editions/compare";
import type { EditionListed } from "@/core/publish/editions-document";
import { findCollection } from "@/data/queries/collections";
import { database } from "@/mechanism/changing";
import { contentOf } from "../editions/stored-content";
import { look } from "./look";

/** The editions of what is shared under a code; null when nothing is, or none was kept. */
export async function editionsBehind(code: string) {
  const behind = await look(code);
  const found = behind && (await findCollection(database(), behind.root));
  if (!behind?.editions.length || !found) return null;
  const given = behind.editions.filter((one) => !one.withdrawnAt);
  const editions: EditionListed[] = behind.editions.map((one) => ({
    ...{ number: one.number, at: one.createdAt, words: one.words, withdrawnAt: one.withdrawnAt },
    hasBefore: given.some((other) => other.number < one.number),
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
  const given = behind?.editions.filter((one) => !one.withdrawnAt) ?? [];
  const edition = given.find((one) => one.number === number);
  const before = given.find((one) => one.number < number);
  if (!edition || !before) return null;
  const [old, own] = await Promise.all([contentOf(before.digest), contentOf(edition.digest)]);
  const { title, language } = own.collection;
  return {
    ...{ title, language, before: before.number, at: before.createdAt },
    changes: compare(old.collection, own.collection),
  };
}
