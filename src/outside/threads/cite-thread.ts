import { readFileSync } from "node:fs";
import path from "node:path";
import { bibliography, type Reference } from "@/core/cite/bibliography";
import type { Work } from "@/core/cite/csl-item";
import { localeFor, STYLE_IDS, type StyleId } from "@/core/cite/styles";

export type CiteTask = { works: readonly Work[]; style: StyleId; language: string };

const FOLDER = "assets/csl";
const read = new Map<string, string>();
const fileOf = (name: string): string => {
  const known = read.get(name) ?? readFileSync(path.join(FOLDER, name), "utf8");
  read.set(name, known);
  return known;
};

/** The bibliography of some works; a thousand take seconds. */
export default function work({ works, style, language }: CiteTask): Reference[] {
  if (!STYLE_IDS.includes(style)) throw new Error("there is no such style");
  return bibliography(works, {
    style: fileOf(`styles/${style}.csl`),
    locale: localeFor(language),
    localeXml: (name) => {
      try {
        return fileOf(`locales/locales-${name.replace(/[^\w-]/g, "")}.xml`);
      } catch {
        return fileOf("locales/locales-en-US.xml");
      }
    },
  });
}
