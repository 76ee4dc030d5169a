import { readFileSync } from "node:fs";
import path from "node:path";
import { bibliography, type Reference } from "@/core/cite/bibliography";
import { citation, type Locator } from "@/core/cite/citation";
import type { Work } from "@/core/cite/csl-item";
import type { Run } from "@/core/cite/runs";
import { localeFor } from "@/core/cite/styles";

/** Where a style is: in a file of this machine, or here. */
export type StyleSource = { file: string } | { xml: string };

export type CiteTask = {
  works: readonly Work[];
  style: StyleSource;
  language: string;
  /** Also as they are cited in the text; of the first one this part, if any. */
  inText?: { locator: Locator | null };
};
export type Cited = { references: Reference[]; inText: Run[] };

const LOCALES = "assets/csl/locales";
/** The locales that were read; there are not many. */
const read = new Map<string, string>();
const localeXml = (name: string): string => {
  const file = path.join(LOCALES, `locales-${name.replace(/[^\w-]/g, "")}.xml`);
  const known = read.get(file) ?? readFileSync(file, "utf8");
  read.set(file, known);
  return known;
};

/** The bibliography of some works, and how they are cited in a text; a thousand take seconds. */
export default function work({ works, style, language, inText }: CiteTask): Cited {
  const files = {
    style: "xml" in style ? style.xml : readFileSync(style.file, "utf8"),
    locale: localeFor(language),
    localeXml: (name: string) => {
      try {
        return localeXml(name);
      } catch {
        return localeXml("en-US");
      }
    },
  };
  return {
    references: bibliography(works, files),
    inText: inText ? citation(works, inText.locator, files) : [],
  };
}
