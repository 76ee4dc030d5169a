import sharp from "sharp";

const WIDEST = 800;
/** A picture that unpacks to more is refused before it is unpacked. */
const MOST_PIXELS = 80_000_000;
const SHOWN = ["jpeg", "png", "webp", "gif", "avif", "heif", "tiff"];

/**
 * A picture made safe to show: turned upright, place data removed, at most 800 pixels wide, as WebP. Drawings (SVG)
 * are painted without their scripts and without what they would load.
 * @returns null when it is no picture that can be shown, is too small to be one or too large
 */
export async function makeThumbnail(
  content: Buffer,
  options: { drawings?: boolean } = {},
): Promise<Buffer | null> {
  try {
    const picture = sharp(content, { limitInputPixels: MOST_PIXELS, animated: false });
    const { format, width = 0, height = 0 } = await picture.metadata();
    const shown = SHOWN.includes(format ?? "") || (options.drawings && format === "svg");
    if (!shown || width < 60 || height < 40) return null;
    return await picture
      .autoOrient()
      .resize({ width: WIDEST, height: 1200, fit: "inside", withoutEnlargement: true })
      .webp({ quality: 78 })
      .toBuffer();
  } catch {
    return null;
  }
}

/** How large a picture is; null when it cannot be opened. */
export async function sizeOf(content: Buffer): Promise<{ width: number; height: number } | null> {
  const { width, height } = await sharp(content)
    .metadata()
    .catch(() => ({ width: 0, height: 0 }));
  return width && height ? { width, height } : null;
}

/**
 * A photo as it may be kept and given to others: upright, with nothing in it but the picture (cameras write where it
 * was taken). Null for what is no photo or cannot be opened.
 * @param content a picture as it came
 */
export async function cleanPicture(content: Buffer): Promise<{ content: Buffer; type: string } | null> {
  try {
    const picture = sharp(content, { limitInputPixels: MOST_PIXELS });
    const { format } = await picture.metadata();
    const upright = picture.autoOrient();
    if (format === "jpeg")
      return { content: await upright.jpeg({ quality: 92 }).toBuffer(), type: "image/jpeg" };
    if (format === "png") return { content: await upright.png().toBuffer(), type: "image/png" };
    if (format === "webp")
      return { content: await upright.webp({ quality: 92 }).toBuffer(), type: "image/webp" };
    if (format === "tiff" || format === "heif")
      return { content: await upright.jpeg({ quality: 92 }).toBuffer(), type: "image/jpeg" };
    return null;
  } catch {
    return null;
  }
}

/**
 * As wide as a picture beside an item is drawn in a document (26 mm), at 175 dots an inch. What sets pages unpacks every picture
 * and holds all of them together, so that twice as wide is four times the memory.
 */
const IN_DOCUMENTS = 180;

/**
 * A kept picture as it stands in documents: JPEG, which every program knows and which is set in as it is, and no larger than
 * it is drawn; null when it cannot be read.
 */
export const forDocument = (content: Uint8Array): Promise<Buffer | null> =>
  sharp(content)
    .resize({ width: IN_DOCUMENTS, height: IN_DOCUMENTS, fit: "inside", withoutEnlargement: true })
    .flatten({ background: "#ffffff" })
    .jpeg({ quality: 80 })
    .toBuffer()
    .catch(() => null);
