import { readFileSync } from "node:fs";
import { validateStyle } from "csl-validator-wasm";
import { bibliography } from "@/core/cite/bibliography";
import { readStyleProblems, type StyleProblem } from "@/core/cite/style-problems";
import { SAMPLE_WORKS } from "@/core/cite/sample-works";

const EN = "assets/csl/locales/locales-en-US.xml";

/**
 * What keeps a file from being a style: by the schema of the Citation Style Language, with the lines that are wrong, and by
 * setting a few works in it, since the schema lets pass what turns in a circle.
 * @returns empty: it is one
 */
export default async function work({ xml }: { xml: string }): Promise<StyleProblem[]> {
  const problems = readStyleProblems(await validateStyle(xml));
  if (problems.length) return problems;
  const locale = readFileSync(EN, "utf8");
  try {
    bibliography(SAMPLE_WORKS, { style: xml, locale: "en-US", localeXml: () => locale });
    return [];
  } catch (error) {
    return [{ line: null, words: `No work can be set in it: ${String(error).slice(0, 200)}` }];
  }
}
