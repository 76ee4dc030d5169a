import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { startApplication } from "../../tools/lib/application.mjs";
import { stopAll } from "../../tools/lib/processes.mjs";
import { ensureAll, seed, startAround } from "../../tools/lib/stack.mjs";
import { execute } from "./execute.mjs";
import { signIn } from "./sign-in.mjs";

export const PROGRAMS = { "/usr/bin/wapiti": "wapiti", "/usr/bin/sqlmap": "sqlmap" };

const FIGURES = "figures-of-what-was-asked";
/** So long wapiti may go on, in seconds, for each of the two it is let loose as. */
const BOUND = 240;

/**
 * Lets wapiti loose on a running Hobbin with its demo data, as a stranger and as somebody who is signed in, and sqlmap on
 * what takes words. The addresses wapiti begins with are all readings of the open description, with ids that are there.
 * @returns {Promise<{ version: string, said: Record<string, string[]>, asked: Record<string, number> }>} what each found,
 *   by who it was, and how many requests it made
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-attacked-"));
  try {
    await ensureAll();
    const { port, web, env } = await startAround({ folder, base: 8_400 });
    Object.assign(env, {
      HOBBIN_LOG: "error",
      // What keeps guessing out would keep these out, too, and is not what they try.
      HOBBIN_SIGN_IN_LIMIT: "100000",
      HOBBIN_CODE_LIMIT: "100000",
      HOBBIN_ACCOUNT_LIMIT: "100000",
      HOBBIN_METRICS_TOKEN: FIGURES,
    });
    await seed(env, web);
    await startApplication({ env, port });
    const base = `http://localhost:${port}`;
    const target = await findTarget(base);
    const [said, asked] = [{}, {}];
    const attacks = {
      "wapiti, a stranger": () => wapiti(folder, "stranger", [base, `${base}/c/${target.code}`], []),
      "wapiti, signed in": () =>
        wapiti(folder, "member", [base, ...target.readings], ["-H", `cookie: ${target.cookie}`]),
      ...sqlmap(folder, base, target),
    };
    for (const [who, attack] of Object.entries(attacks)) {
      const before = await requests(base);
      said[who] = await attack();
      asked[who] = (await requests(base)) - before;
    }
    const versions = [
      (await execute("wapiti", ["--version"])).trim().split("\n").at(-1),
      `sqlmap ${(await execute("sqlmap", ["--version"])).trim().split("\n")[0]}`,
    ];
    return { version: versions.join(", "), said, asked };
  } finally {
    await stopAll();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A session, a reader's page, and an address of every reading that can be asked for by GET. */
async function findTarget(base) {
  const { cookie, read } = await signIn(base);
  const { teams } = await read("teams.read", {});
  const team = teams.find(({ role, own }) => role === "owner" && !own) ?? teams[0];
  const { collections } = await read("collections.tree", { team: team.id });
  const collection = collections[0].id;
  const { items } = await read("collections.items", { collection });
  const shares = await Promise.all(
    collections.map((one) => read("collections.read", { collection: one.id })),
  );
  const { paths } = await (await fetch(`${base}/api/openapi.json`)).json();
  const known = {
    team: team.id,
    collection,
    resource: items[0]?.resource.id,
    placement: items[0]?.id,
    query: "moss",
    code: shares.find(({ collection: one }) => one.code).collection.code,
    address: "https://moss.example/",
  };
  const readings = Object.entries(paths).flatMap(([address, { get }]) => {
    if (!get) return [];
    const named = get.parameters.filter(({ name }) => known[name]);
    return get.parameters.some(({ name, required }) => required && !known[name])
      ? []
      : [`${base}${address}?${new URLSearchParams(named.map(({ name }) => [name, known[name]]))}`];
  });
  return { cookie, readings, ...known };
}

async function wapiti(folder, name, [first, ...more], options) {
  const report = path.join(folder, `${name}.json`);
  await execute(
    "wapiti",
    [
      "-u",
      first,
      ...more.flatMap((one) => ["-s", one]),
      "--scope",
      "domain",
      "-m",
      // Those that ask a service of wapiti’s own (ssrf, xxe) or fetch a list (nikto) are left out.
      "backup,blindsql,cookieflags,crlf,csp,exec,file,htaccess,http_headers,methods,permanentxss,redirect,sql,xss",
      "--max-scan-time",
      String(BOUND),
      "--max-attack-time",
      "60",
      "--flush-session",
      "--store-session",
      folder,
      "-f",
      "json",
      "-o",
      report,
      ...options,
    ],
    (BOUND + 120) * 1_000,
  );
  const { vulnerabilities, anomalies } = JSON.parse(readFileSync(report, "utf8"));
  return Object.entries({ ...vulnerabilities, ...anomalies }).flatMap(([kind, found]) => [
    ...new Set(
      found.map(({ method, path: where, parameter, info }) =>
        `${kind}: ${method} ${where.split("?")[0]} ${parameter} ${info}`.slice(0, 300),
      ),
    ),
  ]);
}

function sqlmap(folder, base, { cookie, team, collection, code }) {
  const signed = ["--cookie", cookie];
  const asked = {
    "sqlmap, the words of a search": [
      `${base}/api/actions/search.find?team=${team}&query=moss`,
      "-p",
      "query,team",
      ...signed,
    ],
    "sqlmap, the same as JSON": [
      `${base}/api/actions/search.facets`,
      "--data",
      JSON.stringify({ team, query: "kind:video moss*" }),
      "--headers",
      `Content-Type: application/json\nOrigin: ${base}`,
      ...signed,
    ],
    "sqlmap, an id": [
      `${base}/api/actions/collections.items?collection=${collection}`,
      "-p",
      "collection",
      ...signed,
    ],
    "sqlmap, a reader’s code": [`${base}/c/${code}*`],
    "sqlmap, signing in": [
      `${base}/api/auth/sign-in/email`,
      "--data",
      JSON.stringify({ email: "ama@lantern.example*", password: "x" }),
      "--headers",
      `Content-Type: application/json\nOrigin: ${base}`,
    ],
  };
  const attack = async ([address, ...options]) => {
    const words = await execute(
      "sqlmap",
      [
        ...["-u", address, "--batch", "--disable-coloring", "--dbms", "mysql", "--level", "2"],
        ...["--technique", "BEUT", "--time-sec", "2", "--ignore-code", "401,403,404,400,422"],
        ...["--output-dir", path.join(folder, "sqlmap"), "--flush-session", ...options],
      ],
      300_000,
    );
    const lines = words.split("\n");
    return /do not appear to be injectable|does not seem to be injectable/.test(words)
      ? lines.filter((line) => /is vulnerable|identified the following injection point/.test(line))
      : lines.filter((line) => /\[(ERROR|CRITICAL)\]|vulnerable|injectable/.test(line));
  };
  return Object.fromEntries(Object.entries(asked).map(([what, how]) => [what, () => attack(how)]));
}

/** How many requests were answered so far. */
async function requests(base) {
  const answer = await fetch(`${base}/api/metrics`, { headers: { authorization: `Bearer ${FIGURES}` } });
  const counted = (await answer.text()).matchAll(/^hobbin_requests_total\{[^}]*\} (\d+)/gm);
  return [...counted].reduce((sum, [, n]) => sum + Number(n), 0);
}
