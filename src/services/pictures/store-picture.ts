import { noteFile } from "@/data/queries/texts-and-files";
import type { Tx } from "@/data/database";
import { fieldProblem } from "@/mechanism/problem";
import { storeFile } from "@/outside/files";
import { makeThumbnail } from "@/outside/pictures";

/**
 * Stores a picture somebody sent, made small and clean.
 * @param base64 its bytes, as the field `picture` brought them
 * @returns its hash
 * @throws {Problem} picture-not-readable, beside the field `picture`
 */
export async function storePicture(tx: Tx, base64: string, createdAt: Date): Promise<string> {
  const picture = await makeThumbnail(Buffer.from(base64, "base64"));
  if (!picture) throw fieldProblem("picture", "picture-not-readable");
  const hash = await storeFile(picture);
  await noteFile(tx, { hash, bytes: picture.length, type: "image/webp", createdAt });
  return hash;
}

/** What becomes of a picture that can be given or taken away: another one's hash, null for none, undefined as it was. */
export const pictureOf = async (
  tx: Tx,
  { picture, noPicture }: { picture?: string; noPicture?: boolean },
  at: Date,
): Promise<string | null | undefined> =>
  picture ? storePicture(tx, picture, at) : noPicture ? null : undefined;
