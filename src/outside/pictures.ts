import sharp from "sharp";

const WIDEST = 800;
const MOST_PIXELS = 40_000_000;

/**
 * A picture made safe to show: turned upright, place data removed, at most 800 pixels wide, as WebP.
 * @returns null when it is no picture that can be shown, is too small to be one, or is drawn with scripts (SVG)
 */
export async function makeThumbnail(content: Buffer): Promise<Buffer | null> {
  try {
    const picture = sharp(content, { limitInputPixels: MOST_PIXELS, animated: false });
    const { format, width = 0, height = 0 } = await picture.metadata();
    if (
      !["jpeg", "png", "webp", "gif", "avif", "heif", "tiff"].includes(format ?? "") ||
      width < 60 ||
      height < 40
    )
      return null;
    return await picture
      .autoOrient()
      .resize({ width: WIDEST, height: 1200, fit: "inside", withoutEnlargement: true })
      .webp({ quality: 78 })
      .toBuffer();
  } catch {
    return null;
  }
}
