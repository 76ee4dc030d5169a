import { copyFileSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import sharp from "sharp";
import { execute } from "./execute.mjs";

export const PROGRAMS = { "/usr/bin/pandoc": "pandoc" };

const FILES = "tests/reference/files/documents";
const TEXT = `---
title: The dams
author: Rhea Tammik
---

# The east

Before the first & only dam.

![The dam "of peat" from above](dam.png)

After it stands the gauge.

# The west

![](gauge.png)

Nothing leads here.
`;
/** Kinds of files it writes; those it can read again it also says the order of. */
const KINDS = { docx: true, odt: true, epub: true, pptx: false };

/**
 * Has pandoc write a text with two pictures in the formats people send, and say in which order words and pictures stand.
 * @returns {Promise<{ version: string, said: Record<string, string[]> }>} the lines it reads in each file, by its name
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-pictures-"));
  const here = process.cwd();
  try {
    for (const [name, background] of [
      ["dam", "#8a9a6b"],
      ["gauge", "#5b6f8c"],
    ])
      await sharp({ create: { width: 240, height: 160, channels: 3, background } })
        .png()
        .toFile(path.join(folder, `${name}.png`));
    writeFileSync(path.join(folder, "text.md"), TEXT);
    mkdirSync(path.join(here, FILES), { recursive: true });
    const said = {};
    process.chdir(folder);
    for (const [kind, reads] of Object.entries(KINDS)) {
      const name = `with-pictures.${kind}`;
      await execute("pandoc", ["text.md", "-o", name]);
      copyFileSync(name, path.join(here, FILES, name));
      const read = reads
        ? await execute("pandoc", [name, "--to", "markdown-link_attributes", "--wrap=none"])
        : "";
      said[name] = read
        .split(/\n+/)
        .map((line) => line.trim())
        .filter(Boolean);
    }
    return { version: (await execute("pandoc", ["--version"])).split("\n")[0], said };
  } finally {
    process.chdir(here);
    rmSync(folder, { recursive: true, force: true });
  }
}
