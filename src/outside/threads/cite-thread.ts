import { readFileSync } from "node:fs";
import path from "node:path";
import { bibliography, type Reference } from "@/core/cite/bibliography";
import { citation, type Locator } from "@/core/cite/citation";
import type { Work } from "@/core/cite/csl-item";
import type { Run } from "@/core/cite/runs";
import { localeFor, STYLE_IDS, type StyleId } from "@/core/cite/styles";

export type CiteTask = {
  works: readonly Work[];
  style: StyleId;
  language: string;
  /** Also as they are cited in the text; of the first one this part, if any. */
  inText?: { locator: Locator | null };
};
export type Cited = { references: Reference[]; inText: Run[] };

const FOLDER = "assets/csl";
const read = new Map<string, string>();
const fileOf = (name: string): string => {
  const known = read.get(name) ?? readFileSync(path.join(FOLDER, name), "utf8");
  read.set(name, known);
  return known;
};

/** The bibliography of some works, and how they are cited in a text; a thousand take seconds. */
export default function work({ works, style, language, inText }: CiteTask): Cited {
  if (!STYLE_IDS.includes(style)) throw new Error("there is no such style");
  const files = {
    style: fileOf(`styles/${style}.csl`),
    locale: localeFor(language),
    localeXml: (name: string) => {
      try {
        return fileOf(`locales/locales-${name.replace(/[^\w-]/g, "")}.xml`);
      } catch {
        return fileOf("locales/locales-en-US.xml");
      }
    },
  };
  return {
    references: bibliography(works, files),
    inText: inText ? citation(works, inText.locator, files) : [],
  };
}
