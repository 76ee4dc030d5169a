import sharp from "sharp";

/** A picture of one colour, in Base64. */
export async function picture(background = "#6b3a77"): Promise<string> {
  const made = sharp({ create: { width: 400, height: 300, channels: 3, background } });
  return (await made.png().toBuffer()).toString("base64");
}
