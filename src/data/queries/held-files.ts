import { inArray, sql } from "drizzle-orm";
import type { Tx } from "../database";
import {
  archiveImport,
  collection,
  credit,
  documentTemplate,
  edition,
  editionFile,
  mailMessage,
  orderedFile,
  person,
  proposal,
  resource,
  resourceFile,
  suggestion,
  team,
  textPicture,
  textVersion,
} from "../schema";
import { inParts } from "../sql/by-keys";
import { queryRows } from "../sql/query-rows";

/** Everywhere a stored file is named by its hash; what is named nowhere is held by nobody. */
export const HOLDERS = [
  [resource, resource.pictureHash],
  [resource, resource.seenHash],
  [resource, resource.captionsHash],
  [collection, collection.coverHash],
  [resourceFile, resourceFile.hash],
  [textVersion, textVersion.digest],
  [textPicture, textPicture.hash],
  [proposal, proposal.pictureHash],
  [mailMessage, mailMessage.original],
  [person, person.image],
  [team, team.pagePicture],
  [edition, edition.digest],
  [editionFile, editionFile.hash],
  [archiveImport, archiveImport.hash],
  [orderedFile, orderedFile.hash],
  [documentTemplate, documentTemplate.hash],
  [suggestion, suggestion.fileHash],
  [credit, credit.digest],
] as const;

/**
 * Those of these files that somebody holds.
 * @param hashes of their contents
 */
export async function heldAmong(tx: Tx, hashes: readonly string[]): Promise<Set<string>> {
  const held = new Set<string>();
  for (const [table, column] of HOLDERS)
    await inParts(
      hashes,
      async (part) => {
        const rows = await tx
          .selectDistinct({ hash: column })
          .from(table as typeof resource)
          .where(inArray(column, part));
        for (const { hash } of rows) if (hash) held.add(hash);
      },
      500,
    );
  return held;
}

/** The files that undo would bring back. */
export async function heldByHistory(tx: Tx): Promise<Set<string>> {
  const rows = await queryRows<{ changes: string }>(
    tx,
    sql`SELECT changes FROM history_entry WHERE state <> 'dropped' AND changes REGEXP '"(picture|cover|captions)Hash":"'`,
  );
  return new Set(
    rows.flatMap(({ changes }) => [...changes.matchAll(/Hash":"([0-9a-f]{64})"/g)].map((one) => one[1]!)),
  );
}
