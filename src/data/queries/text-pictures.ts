import { and, asc, eq } from "drizzle-orm";
import type { KeptPicture } from "@/core/page/text-pictures";
import type { Tx } from "../database";
import { textPicture } from "../schema";

const of = (resource: string, number: number) =>
  and(eq(textPicture.resource, resource), eq(textPicture.number, number));

/** The pictures that are kept with a copy, in the order of its text. */
export async function picturesOfText(tx: Tx, resource: string, number: number): Promise<KeptPicture[]> {
  const { hash, alt, at, width, height } = textPicture;
  return tx
    .select({ hash, alt, at, width, height })
    .from(textPicture)
    .where(of(resource, number))
    .orderBy(asc(textPicture.at), asc(textPicture.no));
}

/** Keeps these with a copy, in the place of those it had. */
export async function storeTextPictures(
  tx: Tx,
  resource: string,
  number: number,
  pictures: readonly KeptPicture[],
): Promise<void> {
  await tx.delete(textPicture).where(of(resource, number));
  if (pictures.length)
    await tx.insert(textPicture).values(pictures.map((one, no) => ({ resource, number, no, ...one })));
}
