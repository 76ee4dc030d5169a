import { unzipSync } from "fflate";
import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { pathToFileURL } from "node:url";
import { startApplication } from "../../tools/lib/application.mjs";
import { stopAll } from "../../tools/lib/processes.mjs";
import { ensureAll, seed, startAround } from "../../tools/lib/stack.mjs";
import { execute } from "./execute.mjs";
import { openFirefox } from "./marionette.mjs";
import { signIn } from "./sign-in.mjs";

export const PROGRAMS = {
  "/usr/bin/firefox-esr": "firefox-esr",
  "/usr/bin/linkchecker": "linkchecker",
};

/**
 * Has Debian's Firefox, with the net off, and linkchecker look at a course of the demo that was saved as a folder for a stick.
 * @returns {Promise<{ version: string, asked: Record<string, number>, said: Record<string, string[]> }>} what each complained
 *   of, and how many pages it was shown
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-stick-"));
  try {
    const stick = path.join(folder, "stick");
    await save(folder, stick);
    const pages = readdirSync(stick, { recursive: true })
      .map(String)
      .filter((name) => name.endsWith(".html"))
      .toSorted();
    const said = { Firefox: [], linkchecker: [] };
    const firefox = await openFirefox();
    const { version } = firefox;
    try {
      for (const page of pages) {
        const found = await firefox.fromFile(pathToFileURL(path.join(stick, page)).href, LOOK);
        said.Firefox.push(...found.map((complaint) => `${page}: ${complaint}`));
      }
      const all = pages.find((page) => path.basename(page) === "everything.html");
      const found = await firefox.fromFile(pathToFileURL(path.join(stick, all)).href, SEARCH);
      if (!(found.shown > 0 && found.shown < found.all))
        said.Firefox.push(`search shows ${found.shown} of ${found.all}`);
    } finally {
      await firefox.close();
    }
    const start = pathToFileURL(
      path.join(
        stick,
        pages.find((page) => page.endsWith("index.html")),
      ),
    ).href;
    // Who is root here becomes nobody for it, who has to be let in.
    await execute("chmod", ["-R", "a+rX", folder]);
    const checker = ["--no-status", "--no-robots", "--recursion-level=-1", "--ignore-url=^(https?|mailto):"];
    // With broken links it ends as if it had failed; what it found is said all the same.
    const report = await execute(
      "linkchecker",
      [...checker, "--verbose", "-o", "text", start],
      300_000,
    ).catch((error) => error.stdout);
    said.linkchecker = report
      .split(/\n\s*\n/)
      .filter((part) => /^Result\s+Error/m.test(part))
      .map((part) => `${/^URL\s+(.*)$/m.exec(part)?.[1]}: ${/^Result\s+(.*)$/m.exec(part)[1]}`);
    const checked = /(\d+) links? in (\d+) URLs? checked/.exec(report);
    const versions = [version, (await execute("linkchecker", ["--version"])).split("\n")[0]];
    return {
      version: versions.join(", "),
      asked: { Firefox: pages.length, linkchecker: Number(checked?.[1] ?? 0) },
      said,
    };
  } finally {
    await stopAll();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Saves the course of the demo, with every reading copy there is. */
async function save(folder, stick) {
  await ensureAll();
  const { port, web, env } = await startAround({ folder, base: 8_600 });
  Object.assign(env, { HOBBIN_LOG: "error" });
  await seed(env, web);
  await startApplication({ env, port });
  const base = `http://localhost:${port}`;
  const { cookie, read } = await signIn(base);
  for (const { id } of (await read("teams.read")).teams) {
    const { collections } = await read("collections.tree", { team: id });
    const course = collections.find((one) => one.title === "Peatland course");
    if (!course) continue;
    const answer = await fetch(`${base}/api/export/${course.id}?format=folder&copies=all`, {
      headers: { cookie },
    });
    for (const [name, bytes] of Object.entries(unzipSync(new Uint8Array(await answer.arrayBuffer())))) {
      mkdirSync(path.dirname(path.join(stick, name)), { recursive: true });
      if (!name.endsWith("/")) writeFileSync(path.join(stick, name), bytes);
    }
    return;
  }
  throw new Error("the demo has no course");
}

/** Run in each page, once it is there with its letters. */
const LOOK = `
  const complaints = [];
  const h1 = document.querySelector("h1");
  if (!h1 || !h1.textContent.trim()) complaints.push("has no heading");
  for (const picture of document.images)
    if (!picture.complete || !picture.naturalWidth) complaints.push("a picture is missing: " + picture.getAttribute("src"));
  for (const face of document.fonts) if (face.status === "error") complaints.push("letters are missing: " + face.family);
  const away = [...document.querySelectorAll("[src], link[href]")]
    .map((one) => one.getAttribute("src") || one.getAttribute("href"))
    .filter((address) => /^(https?:)?\\/\\//.test(address));
  for (const address of away) complaints.push("asks the net for " + address);
  return complaints;`;

const SEARCH = `
  const field = document.querySelector("input[placeholder]");
  const rows = [...document.querySelectorAll("li")].filter((one) => one.querySelector("a"));
  field.value = "dipwell";
  field.dispatchEvent(new Event("input", { bubbles: true }));
  return { all: rows.length, shown: rows.filter((one) => one.offsetParent !== null).length };`;
