import { readCopy } from "@/core/text/stored-copy";
import { sanitise } from "@/core/text/sanitise";
import { findVersion } from "@/data/queries/marks";
import type { Tx } from "@/data/database";
import { readStored } from "@/outside/files";
import { Problem } from "@/mechanism/problem";

/**
 * A copy a resource had before. It may have come with an archive, so it is made safe again.
 * @throws {Problem} not-found
 */
export async function readVersion(tx: Tx, resource: string, number: number) {
  const row = await findVersion(tx, resource, number);
  const bytes = row && (await readStored(row.digest).catch(() => null));
  const copy = bytes && readCopy(bytes);
  if (!copy) throw new Problem("not-found");
  return { ...row, html: sanitise(copy.html, { formulas: true }), text: copy.text };
}
