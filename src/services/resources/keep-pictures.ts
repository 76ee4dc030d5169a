import type { KeptPicture } from "@/core/page/text-pictures";
import { lockResource } from "@/data/queries/resources";
import { storeTextPictures } from "@/data/queries/text-pictures";
import { findText, noteFile } from "@/data/queries/texts-and-files";
import type { Tx } from "@/data/database";
import { changingByItself } from "@/mechanism/changing";

type Kept = KeptPicture & { bytes: number };

/**
 * Keeps pictures with the copy of a resource they were fetched for; where another copy stands there by now, nothing. Done
 * by a job, on nobody's behalf.
 * @param number of the copy
 */
export const keepTextPictures = (id: string, number: number, pictures: readonly Kept[]): Promise<void> =>
  changingByItself(async (tx, begin) => {
    const row = await lockResource(tx, id);
    const text = row && (await findText(tx, id));
    if (!row || text?.number !== number) return;
    const set = begin({ team: row.team, person: null });
    await storeKept(tx, id, number, pictures, set.at);
    if (pictures.length) set.emit({ subject: id, verb: "texts.pictured", data: { title: row.title } });
  });

/** Writes down which pictures a copy has; their files are stored already. */
export async function storeKept(
  tx: Tx,
  id: string,
  number: number,
  pictures: readonly Kept[],
  at: Date,
): Promise<void> {
  for (const { hash, bytes } of pictures)
    await noteFile(tx, { hash, bytes, type: "image/webp", createdAt: at });
  const rows = pictures.map(({ bytes: _, ...one }) => one);
  await storeTextPictures(tx, id, number, rows);
}
