import { copyFileSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import subsetFont from "subset-font";
import { ROOT } from "./lib/project.mjs";

/**
 * Cuts the letters of the readers' pages out of those the application has: what Latin needs, and apart from it what other
 * languages in Latin letters need more, each between the two weights that are used. A phone loads 53 kB for English and
 * 90 kB for Polish, instead of 86 and 148.
 */
const WEIGHTS = { wght: { min: 400, max: 700, default: 400 } };
const FACES = [
  ["literata", "literata/files/literata"],
  ["atkinson", "atkinson-hyperlegible-next/files/atkinson-hyperlegible-next"],
];

const RANGES = JSON.parse(readFileSync(path.join(ROOT, "src/core/publish/letter-ranges.json"), "utf8"));

/** All characters of ranges as a style sheet writes them. */
function charactersOf(ranges) {
  return ranges
    .split(",")
    .map((range) => {
      const [from, to = from] = range
        .replace("U+", "")
        .split("-")
        .map((hex) => parseInt(hex, 16));
      return Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i)).join("");
    })
    .join("");
}

/** Whole, for documents that are set on pages: any of their letters may be needed, each weight in a file of its own. */
const PRINTED = {
  literata: ["400Regular", "400Regular_Italic", "600SemiBold", "700Bold"],
  "atkinson-hyperlegible-next": ["400Regular", "400Regular_Italic", "700Bold"],
};

function layOutPrinted() {
  const folder = path.join(ROOT, "build/letters/print");
  mkdirSync(folder, { recursive: true });
  for (const [face, weights] of Object.entries(PRINTED)) {
    const name = face.replace(/(^|-)(\w)/g, (_, __, letter) => letter.toUpperCase());
    for (const weight of weights) {
      const file = `${name}_${weight}.ttf`;
      copyFileSync(
        path.join(ROOT, `node_modules/@expo-google-fonts/${face}/${weight}/${file}`),
        path.join(folder, file),
      );
    }
  }
}

export async function cutLetters() {
  layOutPrinted();
  const folder = path.join(ROOT, "public/fonts");
  mkdirSync(folder, { recursive: true });
  mkdirSync(path.join(ROOT, "build/letters"), { recursive: true });
  for (const [name, from] of FACES)
    for (const [part, source] of [
      ["latin", "latin"],
      ["more", "latin-ext"],
    ]) {
      const whole = readFileSync(
        path.join(ROOT, `node_modules/@fontsource-variable/${from}-${source}-wght-normal.woff2`),
      );
      const cut = await subsetFont(whole, charactersOf(RANGES[part]), {
        targetFormat: "woff2",
        variationAxes: WEIGHTS,
      });
      writeFileSync(path.join(folder, `${name}-${part}.woff2`), cut);
      // For what is drawn on the server, in the one weight that is drawn.
      const drawn = await subsetFont(whole, charactersOf(RANGES[part]), {
        targetFormat: "sfnt",
        variationAxes: { wght: name === "literata" ? 600 : 400 },
      });
      writeFileSync(path.join(ROOT, `build/letters/${name}-${part}.ttf`), drawn);
    }
}
