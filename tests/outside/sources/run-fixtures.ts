import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import CSL from "citeproc";
import { plainRuns, runsOf } from "@/core/cite/runs";

/**
 * Runs the tests of the CSL project (https://github.com/citation-style-language/test-suite) in a folder by the engine Hobbin
 * cites with, set as Hobbin sets it, and prints what became of each as JSON. A result is the same when the runs of text
 * Hobbin makes of it are: words, italics, bold, small capitals, raised letters.
 */
type Item = { id: string };
type Engine = InstanceType<typeof CSL.Engine> & {
  processCitationCluster(
    citation: unknown,
    before: unknown[],
    after: unknown[],
  ): [unknown, [number, string, string][]];
  makeCitationCluster(items: unknown[]): string;
  makeBibliography(filter?: unknown): [{ bibstart: string; bibend: string }, string[]] | false;
  opt: { development_extensions: Record<string, boolean> };
};

const LOCALES = "assets/csl/locales";
const localeXml = (name: string): string | false => {
  try {
    return readFileSync(path.join(LOCALES, `locales-${name.replace(/[^\w-]/g, "")}.xml`), "utf8");
  } catch {
    return name === "en-US" ? false : localeXml("en-US");
  }
};
const [folder = "."] = process.argv.slice(2);
const part = (text: string, name: string): string | null =>
  new RegExp(`>>=+ ${name} =+>>\\n([\\s\\S]*?)\\n?<<=+ ${name} =+<<`).exec(text)?.[1] ?? null;
const json = <T>(text: string, name: string): T | null => {
  const found = part(text, name);
  return found === null ? null : (JSON.parse(found) as T);
};

function run(text: string): string {
  const items = new Map(json<Item[]>(text, "INPUT")!.map((item) => [String(item.id), item]));
  const sets = json<string[][]>(text, "BIBENTRIES");
  const engine = new CSL.Engine(
    {
      retrieveLocale: localeXml as (name: string) => string,
      retrieveItem: (id) => items.get(String(id)) as never,
    },
    part(text, "CSL")!,
    "en-US",
  ) as Engine;
  engine.setOutputFormat("html");
  engine.opt.development_extensions.wrap_url_and_doi = false;
  const isList = /bibliography/.test(part(text, "MODE")!);
  const citations = json<unknown[][]>(text, "CITATIONS");
  for (const ids of sets ?? [[...items.keys()]]) engine.updateItems(ids.map(String));
  let made: [number, string, string][] = [];
  if (citations) {
    for (const [citation, before, after] of citations) {
      const [, changed] = engine.processCitationCluster(citation, before as unknown[], after as unknown[]);
      for (const one of changed) {
        made = made.filter(([, , id]) => id !== one[2]);
        made.push(one);
      }
      made.sort((a, b) => a[0] - b[0]);
    }
  }
  if (isList) {
    const filter = json<unknown>(text, "BIBSECTION") ?? undefined;
    const list = engine.makeBibliography(filter);
    return list ? list[1].join("\n") : "";
  }
  if (citations) return made.map(([, words]) => words).join("\n");
  const clusters = json<unknown[][]>(text, "CITATION-ITEMS") ?? [
    [...items.values()].map(({ id }) => ({ id })),
  ];
  return clusters.map((cluster) => engine.makeCitationCluster(cluster)).join("\n");
}

const shaped = (html: string) =>
  html
    .replace(/^(>>|\.\.)\[\d+\]\s/gm, "")
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => JSON.stringify(runsOf(line)))
    .filter((line) => plainRuns((JSON.parse(line) as ReturnType<typeof runsOf>).runs) !== "")
    .join("\n");
/** Entries of a list, each on a line of its own. */
const flat = (html: string) =>
  html
    .replace(/\n\s*/g, (_, at: number) => (/>\s*$/.test(html.slice(0, at)) ? "" : "\n"))
    .replace(/<\/?div class="csl-bib-body">/g, "");
const inLines = (html: string) => html.replace(/<div class="csl-entry">/g, '\n<div class="csl-entry">');

const outcome: Record<"same" | "other" | "failed", string[]> = { same: [], other: [], failed: [] };
for (const file of readdirSync(folder).sort()) {
  const name = path.parse(file).name;
  const text = readFileSync(path.join(folder, file), "utf8").replace(/\r/g, "");
  try {
    const wanted = part(text, "RESULT")!;
    const isList = /bibliography/.test(part(text, "MODE")!);
    const shape = (html: string) => shaped(isList ? inLines(flat(html)) : html);
    outcome[shape(run(text)) === shape(wanted) ? "same" : "other"].push(name);
  } catch {
    outcome.failed.push(name);
  }
}
process.stdout.write(JSON.stringify(outcome));
