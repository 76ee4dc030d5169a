import { renderAsync } from "@resvg/resvg-js";
import path from "node:path";
import sharp from "sharp";

/** Our own letters, as the build cut them; everything else a title has is drawn by what the system has. */
const LETTERS = ["literata-latin", "literata-more", "atkinson-latin", "atkinson-more"].map((name) =>
  path.join(process.cwd(), `build/letters/${name}.ttf`),
);
/** Latin with its signs, and nothing else. */
const OURS = /^[\u0000-\u024f\u1e00-\u1eff\u2010-\u2044\u20a0-\u20bf\u2122]*$/;

/**
 * Draws an SVG with words as PNG, in threads.
 * @param svg of our own making
 */
export async function drawCard(svg: string): Promise<Uint8Array<ArrayBuffer>> {
  const drawn = await renderAsync(svg, {
    font: { fontFiles: LETTERS, loadSystemFonts: !OURS.test(svg), defaultFontFamily: "Literata" },
  });
  const { width, height, pixels } = drawn;
  // A palette would halve the bytes and take four times as long; whoever shows the link waits for it.
  return new Uint8Array(
    await sharp(pixels, { raw: { width, height, channels: 4 } })
      .png({ compressionLevel: 6 })
      .toBuffer(),
  );
}
