#!/usr/bin/env node
/**
 * `npm run house`: draws the rooms of src and who imports whom, from what the boundary check sees, into
 * docs/architecture.md. With `--check` it only compares, and ends with 1 when the picture is another one by now or a
 * page of the documentation names a file that is not there.
 */
import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { ROOT } from "./lib/project.mjs";
import { say } from "./lib/say.mjs";

const FILE = path.join(ROOT, "docs/architecture.md");
const [BEGIN, END] = ["<!-- house -->", "<!-- /house -->"];

/** The room a file of src is in. */
const roomOf = (file) => /^src\/([^/]+)\//.exec(file)?.[1];

async function draw() {
  const { cruise } = await import("dependency-cruiser");
  const { default: extractTSConfig } = await import("dependency-cruiser/config-utl/extract-ts-config");
  const { createRequire } = await import("node:module");
  const { options } = createRequire(import.meta.url)("../.dependency-cruiser.cjs");
  const { output } = await cruise(
    ["src"],
    { ...options, exclude: "(\\.test\\.tsx?$|\\.next/)" },
    {},
    { tsConfig: extractTSConfig("tsconfig.json") },
  );
  const files = new Map();
  const arrows = new Map();
  for (const { source, dependencies } of output.modules) {
    const from = roomOf(source);
    if (!from) continue;
    files.set(from, (files.get(from) ?? 0) + 1);
    for (const { resolved } of dependencies) {
      const to = roomOf(resolved);
      if (to && to !== from) arrows.set(`${from} --> ${to}`, (arrows.get(`${from} --> ${to}`) ?? 0) + 1);
    }
  }
  const rooms = [...files.keys()].sort().map((room) => `  ${room}["src/${room}"]`);
  return [
    "```mermaid",
    "flowchart TD",
    ...rooms,
    ...[...arrows.keys()].sort().map((one) => `  ${one}`),
    "```",
  ].join("\n");
}

/** What the pages call by a path that no file ends with. The first hour makes a file of its own. */
function misnamed() {
  const files = execFileSync("git", ["ls-files", "--cached", "--others", "--exclude-standard"], {
    cwd: ROOT,
    encoding: "utf8",
    maxBuffer: 1 << 26,
  }).split("\n");
  const there = (name) => files.some((file) => file === name || file.endsWith(`/${name}`));
  const pages = files.filter(
    (file) => /^(docs\/(?!first-hour).*|[A-Z]+)\.md$/.test(file) && file !== "CHANGELOG.md",
  );
  return pages.flatMap((page) =>
    [
      ...readFileSync(path.join(ROOT, page), "utf8").matchAll(
        /`(\w[\w./[\]-]*\/[\w.[\]-]+\.(?:tsx?|mjs|cjs|json|sql))`/g,
      ),
    ]
      .filter(([, name]) => !there(name))
      .map(([, name]) => `${page} names ${name}, which is not there.`),
  );
}

const text = readFileSync(FILE, "utf8");
const before = text.slice(text.indexOf(BEGIN) + BEGIN.length, text.indexOf(END));
const picture = `\n\n${await draw()}\n\n`;
if (process.argv.includes("--check")) {
  if (before !== picture) say("docs/architecture.md shows another house. Draw it again: npm run house");
  const wrong = misnamed();
  for (const line of wrong) say(line);
  process.exitCode = before === picture && !wrong.length ? 0 : 1;
} else writeFileSync(FILE, text.replace(`${BEGIN}${before}${END}`, `${BEGIN}${picture}${END}`));
