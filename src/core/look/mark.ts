import { clothSvg, weave, type Yarn } from "../cover/weave";
import { LIGHT } from "./colours";

const YARNS: Yarn[] = [
  { kind: "note", minutes: 2, tag: "water table" },
  { kind: "sound", minutes: 1, tag: "water table" },
  { kind: "document", minutes: 1, tag: "water table" },
  { kind: "note", minutes: 1, tag: "water table" },
];
/** In which it is drawn; small enough that its threads show at the size of a letter. */
const BOX = 20;

/** Hobbin's mark: a scrap of the same cloth as the covers, with its selvedge. */
const markSvg = (): string => clothSvg(weave(YARNS, [], BOX, BOX));

/** The mark as a file of its own, in the colours of the light look: the icon of the browser and of the extension. */
export function markFile(): string {
  const drawn = markSvg().replace(/var\(--([a-z]+)\)/g, (_, name: keyof typeof LIGHT) => LIGHT[name]);
  return `${drawn.replace("<svg ", '<svg xmlns="http://www.w3.org/2000/svg" ').replace(/ preserveAspectRatio="none" aria-hidden="true" focusable="false"/, "")}\n`;
}

/** The mark as a module, in the colours of whatever it stands in. */
export const markModule = (): string =>
  `/** The mark, drawn by \`npm run mark\`. */\n// prettier-ignore\nexport const MARK =\n  ${JSON.stringify(markSvg()).replace(/\\"/g, "'")};\n`;
