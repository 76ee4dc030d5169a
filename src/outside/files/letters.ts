import { readFile } from "node:fs/promises";
import path from "node:path";

const NAMES = [
  "literata-latin.woff2",
  "literata-more.woff2",
  "atkinson-latin.woff2",
  "atkinson-more.woff2",
  "LICENSE-literata.txt",
  "LICENSE-atkinson.txt",
];

/** The letters of the readers' pages with their licences, for whoever takes pages along. */
export const letterFiles = (): { name: string; content: () => Promise<Uint8Array> }[] =>
  NAMES.map((name) => ({ name, content: () => readFile(path.join(process.cwd(), "public/fonts", name)) }));
