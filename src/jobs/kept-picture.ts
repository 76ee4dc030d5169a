import type { KeptPicture } from "@/core/page/text-pictures";
import { storeFile } from "@/outside/files";
import { makeThumbnail, sizeOf } from "@/outside/pictures";
import { settings } from "@/outside/settings";
import type { PictureInside } from "@/outside/threads/read-document-thread";

export type Kept = KeptPicture & { bytes: number };

/** How many bytes of pictures are kept with one text. */
export const mostBytes = (): number => Number(settings().copyPictures) * 1_000_000;

/**
 * Stores a picture of a text, small and clean.
 * @param from a drawing is taken from a file somebody has, and never from the web
 * @returns null for what is no picture, or too small to be one
 */
export async function keptPicture(
  content: Uint8Array,
  { alt, at }: Pick<KeptPicture, "alt" | "at">,
  from: "file" | "web",
): Promise<Kept | null> {
  const picture = await makeThumbnail(Buffer.from(content), { drawings: from === "file" });
  const size = picture && (await sizeOf(picture));
  return size && { hash: await storeFile(picture), bytes: picture.length, alt, at, ...size };
}

/** Stores the pictures of a document, as many as the limit allows, in the order of its text. */
export async function keptInside(pictures: readonly PictureInside[]): Promise<Kept[]> {
  const most = mostBytes();
  const kept: Kept[] = [];
  let bytes = 0;
  for (const { content, ...place } of pictures) {
    if (bytes >= most) break;
    const one = await keptPicture(content, place, "file");
    if (!one || bytes + one.bytes > most) continue;
    bytes += one.bytes;
    kept.push(one);
  }
  return kept;
}
