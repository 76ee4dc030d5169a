import type { EditionCollection } from "@/core/editions/content";
import { hasWords, type SheetPart, sheetView } from "@/core/handouts/sheet-view";
import type { Tx } from "@/data/database";
import { editionDigest } from "@/data/queries/handouts";
import { findsOn, itemsOn, type SheetRow } from "@/data/queries/sheets";
import { contentOf } from "../editions/stored-content";

/** What stands in an edition. */
export const editionContent = async (tx: Tx, edition: string): Promise<EditionCollection | null> => {
  const digest = await editionDigest(tx, edition);
  return digest === null ? null : (await contentOf(digest)).collection;
};

/** A handout as somebody has it, with what they did; `sheet` is null when they have not opened it. */
export async function viewOf(
  tx: Tx,
  handout: { edition: string },
  sheet: SheetRow | null,
): Promise<SheetPart[]> {
  const now = (await editionContent(tx, handout.edition))!;
  if (!sheet) return sheetView(now, [], [], new Map());
  const [written, finds] = [await itemsOn(tx, sheet.id), await findsOn(tx, sheet.id)];
  // Few ever wrote in an edition that is not the one they have, and of those it is few editions.
  const others = new Set(
    written.flatMap((one) => (one.edition !== handout.edition && hasWords(one) ? [one.edition] : [])),
  );
  const earlier = new Map<string, EditionCollection>();
  for (const id of others) {
    const content = await editionContent(tx, id);
    if (content) earlier.set(id, content);
  }
  return sheetView(now, written, finds, earlier);
}
