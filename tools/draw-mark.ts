import { writeFileSync } from "node:fs";
import sharp from "sharp";
import { markFile, markModule } from "@/core/look/mark";

/**
 * Writes the mark into the files that are icons (of the browser, of the extension, of a phone's home screen), and as it is
 * for the screens, which need not weave for it.
 */
writeFileSync("src/core/look/mark-drawn.ts", markModule());
for (const file of ["src/app/icon.svg", "extension/icon.svg"]) writeFileSync(file, markFile());
writeFileSync(
  "public/icon-512.png",
  await sharp(Buffer.from(markFile()), { density: 1_536 }).resize(512, 512).png().toBuffer(),
);
