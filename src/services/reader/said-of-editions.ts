import type { EditionsSaid } from "@/core/publish/model";
import { type Behind, type BehindEdition, editionBefore } from "./shown-behind";

/**
 * What a page says of editions; null when there is nothing to say.
 * @param edition the one it shows; null: what stands there now
 * @param part the collection inside that it shows, if it is not the whole
 */
export function saidOfEditions(
  code: string,
  { editions, shows }: Behind,
  edition: BehindEdition | null,
  part: string | null,
): EditionsSaid | null {
  // The collections inside have none of their own.
  if (!editions.length || (!edition && part)) return null;
  const given = editions.filter((one) => !one.withdrawnAt);
  const before = edition && editionBefore(editions, edition);
  return {
    own: edition && {
      number: edition.number,
      at: edition.createdAt,
      words: edition.words,
      isIssue: edition.isIssue,
    },
    count: editions.length,
    isOld: edition !== null && (shows === "living" || edition.number !== given[0]?.number),
    list: `/c/${code}/editions`,
    changes: before ? `/c/${code}/e/${edition.number}/changes` : null,
    now: `/c/${code}`,
  };
}
