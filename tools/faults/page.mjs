import { existsSync, readFileSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { ROOT } from "../lib/project.mjs";

const PAGE = path.join(ROOT, "docs/faults.md");
const HEAD = `# What was broken on purpose

Each section is written by the command it names, which breaks things, looks what became of them, and ends with 1 when an aim is missed. Everything ran on one machine at once, with the load.
`;

/**
 * Writes one section of docs/faults.md anew; the others stay.
 * @param {string} name of the section, by which it is found again
 * @param {(string | number)[][]} rows what, measured, aim
 * @param {{ title: string, about: string }} words
 */
export function writeSection(name, rows, { title, about }) {
  const old = existsSync(PAGE) ? readFileSync(PAGE, "utf8") : HEAD;
  const mark = (what) => `<!-- ${what}${name} -->`;
  const day = new Date().toISOString().slice(0, 10);
  const section = [
    mark(""),
    "",
    `## ${title}`,
    "",
    `${about} On ${day}, ${os.cpus().length} × ${os.cpus()[0]?.model.trim()}.`,
    "",
    "| what | measured | aim |",
    "| --- | --- | --- |",
    ...rows.map((row) => `| ${row.join(" | ")} |`),
    "",
    mark("/"),
  ].join("\n");
  const [from, to] = [old.indexOf(mark("")), old.indexOf(mark("/"))];
  const text =
    from < 0
      ? `${old.trimEnd()}\n\n${section}\n`
      : `${old.slice(0, from)}${section}${old.slice(to + mark("/").length)}`;
  writeFileSync(PAGE, text);
}
