import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import os from "node:os";
import path from "node:path";
import { startApplication } from "../../tools/lib/application.mjs";
import { stopAll } from "../../tools/lib/processes.mjs";
import { ensureAll, seed, startAround } from "../../tools/lib/stack.mjs";
import { execute } from "./execute.mjs";
import { signIn } from "./sign-in.mjs";
import { openFirefox } from "./marionette.mjs";

export const PROGRAMS = {
  "/usr/bin/java": "openjdk-17-jre-headless",
  "/usr/bin/jing": "jing",
  "/usr/bin/firefox-esr": "firefox-esr",
  "/usr/bin/chromium": "chromium",
};
/** Too large to come with every checkout: they are installed beside, for this. */
const PACKAGES = { "vnu-jar": "26.9.27", lighthouse: "12.8.2", jsonld: "9.0.0" };
const VIEWS = ["rows", "cards", "board", "table", "steps"];
/** Of the address that is shared, and of an edition of it. */
const PAGES = ["", "/paper", "/editions", "/e/1", "/e/1/changes", "/e/1/paper"];

/**
 * Shows what readers get, from a Hobbin with its demo data, to programs of others: the Nu HTML checker, jing with the grammar
 * of Atom, a JSON-LD processor, Lighthouse on phone settings, and Debian's Firefox, with scripts and without.
 * @returns {Promise<{ version: string, said: Record<string, string[]>, asked: Record<string, number>, scores: object }>} what
 *   each complained of, and how many documents it was shown
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-readers-"));
  try {
    await ensureAll();
    const { port, web, env } = await startAround({ folder, base: 8_500 });
    Object.assign(env, { HOBBIN_LOG: "error" });
    await seed(env, web);
    await startApplication({ env, port });
    const base = `http://localhost:${port}`;
    const tools = await install(folder);
    const shared = await findShared(base);
    const [said, asked] = [{}, {}];
    const note = (who, complaints, count) => {
      said[who] = complaints;
      asked[who] = count;
    };
    const documents = await fetchDocuments(base, shared, folder);
    note("Nu HTML checker", ...(await nu(tools, documents)));
    note("jing, RFC 4287", ...(await jing(base, shared, folder)));
    note("jsonld", ...(await linkedData(tools, documents)));
    const firefox = await inFirefox(base, shared, tools);
    Object.assign(said, firefox.said);
    Object.assign(asked, firefox.asked);
    const { scores, complaints } = await lighthouse(base, shared, tools, folder);
    note("lighthouse", complaints, Object.keys(scores).length);
    const version = [
      ...Object.entries(PACKAGES).map(([name, number]) => `${name} ${number}`),
      `jing ${/\d{8}/.exec(await execute("dpkg-query", ["-W", "jing"]))[0]}`,
      firefox.version,
    ].join(", ");
    return { version, said, asked, scores };
  } finally {
    await stopAll();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function install(folder) {
  const named = Object.entries(PACKAGES).map(([name, version]) => `${name}@${version}`);
  writeFileSync(path.join(folder, "package.json"), "{}");
  await execute("npm", ["install", "--no-audit", "--no-fund", "--prefix", folder, ...named], 600_000);
  return createRequire(path.join(folder, "package.json"));
}

/** What of the demo is out: for everybody, and for whoever has the address. */
async function findShared(base) {
  const { read } = await signIn(base);
  const { teams } = await read("teams.read");
  const out = [];
  for (const { id } of teams)
    for (const one of (await read("share.out", { team: id })).out) if (one.code) out.push(one);
  return out;
}

/** Every document readers get of what is out, in every look, as files. */
async function fetchDocuments(base, shared, folder) {
  const addresses = shared.flatMap(({ code }) => [
    ...PAGES.map((page) => `/c/${code}${page}`),
    ...VIEWS.map((view) => `/c/${code}?view=${view}`),
  ]);
  const documents = [];
  for (const address of [...addresses, "/go", "/sign-in"]) {
    const answer = await fetch(base + address);
    if (answer.status !== 200) continue;
    const file = path.join(folder, `${documents.length}.html`);
    writeFileSync(file, await answer.text());
    documents.push({ address, file });
  }
  return documents;
}

/** https://validator.github.io/validator: errors and warnings, by document. */
async function nu(tools, documents) {
  const own = documents.filter(({ address }) => address.startsWith("/c/") || address === "/go");
  const args = ["-jar", tools("vnu-jar"), "--format", "json", "--exit-zero-always", "--stdout"];
  const { messages } = JSON.parse(await execute("java", [...args, ...own.map(({ file }) => file)], 300_000));
  const addressOf = (url) => own.find(({ file }) => url.endsWith(`/${path.basename(file)}`))?.address;
  return [
    messages
      .filter(({ type, subType }) => type === "error" || subType === "warning")
      .map(({ url, message }) => `${addressOf(url)}: ${message}`),
    own.length,
  ];
}

async function jing(base, shared, folder) {
  const complaints = [];
  for (const { code, title } of shared) {
    const file = path.join(folder, `${code}.atom`);
    writeFileSync(file, await (await fetch(`${base}/c/${code}/feed.atom`)).text());
    await execute("jing", ["-c", "tests/outside/sources/atom.rnc", file]).catch((error) =>
      complaints.push(`${title}: ${error.stdout}`),
    );
  }
  return [complaints, shared.length];
}

/** The terms of schema.org that matter for the form: names are its own, addresses are addresses. */
const CONTEXT = {
  "@context": {
    "@vocab": "http://schema.org/",
    id: "@id",
    type: "@type",
    url: { "@type": "@id" },
    dateCreated: { "@type": "http://schema.org/Date" },
    dateModified: { "@type": "http://schema.org/Date" },
    datePublished: { "@type": "http://schema.org/Date" },
  },
};

/** In its safe mode a processor says what it would drop; https://www.w3.org/TR/json-ld11-api/ */
async function linkedData(tools, documents) {
  const jsonld = tools("jsonld");
  const complaints = [];
  let count = 0;
  for (const { address, file } of documents) {
    const [, text] =
      /<script type="application\/ld\+json">(.*?)<\/script>/s.exec(readFileSync(file, "utf8")) ?? [];
    if (!text) continue;
    count++;
    try {
      const [node, ...more] = await jsonld.expand(JSON.parse(text), {
        safe: true,
        documentLoader: (url) => ({ contextUrl: null, documentUrl: url, document: CONTEXT }),
      });
      const types = node["@type"] ?? [];
      if (more.length || !types.includes("http://schema.org/Collection"))
        complaints.push(`${address}: is no single Collection`);
      if (!node["http://schema.org/hasPart"]?.length) complaints.push(`${address}: has no parts`);
    } catch (error) {
      complaints.push(`${address}: ${error.message}`);
    }
  }
  return [complaints, count];
}

/** Firefox, at 320 pixels, as wide as a desk is at 400 %, with scripts and without: nothing runs over, all is there, links lead on. */
async function inFirefox(base, shared) {
  const [said, asked] = [{}, {}];
  let version = "";
  for (const script of [true, false]) {
    const who = script ? "Firefox" : "Firefox without scripts";
    said[who] = [];
    asked[who] = 0;
    const firefox = await openFirefox({ script });
    ({ version } = firefox);
    try {
      for (const { code, title } of shared)
        for (const view of VIEWS) {
          asked[who]++;
          const found = await firefox.framed(base, `/c/${code}?view=${view}`, 320, LOOK);
          for (const complaint of found) said[who].push(`${title}, ${view}: ${complaint}`);
        }
    } finally {
      await firefox.close();
    }
  }
  return { said, asked, version };
}

/** What is looked at within the page, which stands in a frame. */
const LOOK = `
  const page = document.querySelector("iframe").contentDocument;
  const look = page.defaultView;
  const complaints = [];
  if (look.innerWidth !== 320) complaints.push("was drawn at " + look.innerWidth);
  const over = page.documentElement.scrollWidth - 320;
  if (over > 0) complaints.push("runs over by " + over);
  const h1 = page.querySelector("h1");
  if (!h1 || !h1.textContent.trim()) complaints.push("has no heading");
  if (!page.querySelectorAll(".item, .inside li").length) complaints.push("shows nothing");
  for (const item of page.querySelectorAll(".item"))
    if (look.getComputedStyle(item).display === "none") complaints.push("hides an item");
  if (!/Literata/.test(look.getComputedStyle(h1).fontFamily)) complaints.push("is not in its own letters");
  return complaints;`;

/** Phone settings; what asks not to be indexed is not judged as something to be found. */
async function lighthouse(base, shared, tools, folder) {
  const scores = {};
  const complaints = [];
  const cli = path.join(path.dirname(tools.resolve("lighthouse/package.json")), "cli", "index.js");
  for (const { code, title, audience } of shared) {
    const file = path.join(folder, `lighthouse-${code}.json`);
    const chrome = ["--headless=new", "--no-sandbox", "--disable-dev-shm-usage"].join(" ");
    await execute(
      "env",
      ["CHROME_PATH=/usr/bin/chromium", process.execPath, cli, `${base}/c/${code}`].concat([
        "--output=json",
        `--output-path=${file}`,
        "--quiet",
        `--chrome-flags=${chrome}`,
      ]),
      240_000,
    );
    const { categories, audits } = JSON.parse(readFileSync(file, "utf8"));
    const own = Object.fromEntries(
      Object.entries(categories).map(([name, { score }]) => [name, Math.round(score * 100)]),
    );
    scores[`${title}, ${audience}`] = own;
    for (const [name, { score, auditRefs }] of Object.entries(categories)) {
      if (score === 1 || (name === "seo" && audience !== "public")) continue;
      const lost = auditRefs
        .filter(({ id, weight }) => weight > 0 && audits[id].score !== null && audits[id].score < 0.9)
        .map(({ id }) => audits[id].title);
      complaints.push(`${title}: ${name} ${Math.round(score * 100)}: ${lost.join("; ")}`);
    }
  }
  return { scores, complaints };
}
