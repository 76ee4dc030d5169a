import autocannon from "autocannon";
import { spawn, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { gzipSync } from "node:zlib";
import { READER_VIEWS } from "@/core/publish/model";
import { READER_SCRIPT } from "@/core/publish/reader-script";
import type { Actor } from "@/mechanism/actor";
import { as, fillCollection } from "./fill";
import { type Figure, median } from "./figures";

const SECONDS = 6;

/** What readers cost: requests a second beside a bare route handler, 304, size, and how soon a change shows. */
export async function measureReader(
  actor: Actor,
  team: string,
  resources: string[],
  base: string,
  second: string,
): Promise<Figure[]> {
  const collection = await fillCollection(actor, team, "A hundred items", resources.slice(0, 100));
  const { code } = await as(actor, "share.set", { collection, audience: "public" });
  const address = `/c/${code}`;
  const page = Buffer.from(await (await fetch(base + address)).arrayBuffer());
  const bare = await bareHandler(page);
  const bareRates = [await rate(bare.address), await rate(bare.address), await rate(bare.address)];
  bare.stop();
  const looks: { view: string; ours: number; share: number }[] = [];
  for (const view of READER_VIEWS)
    looks.push({ view, ...(await besidePlain(`${base}${address}?view=${view}`)) });
  const ours = looks[0]!.ours;
  const times = ours / median(bareRates);
  const lowest = Math.min(...looks.map((one) => one.share));
  const etag = (await fetch(base + address)).headers.get("etag")!;
  const unchanged = (await fetch(base + address, { headers: { "if-none-match": etag } })).status;

  const delays: number[] = [];
  const read = await as(actor, "collections.read", { collection });
  for (let i = 0; i < 12; i++) {
    const words = `Changed for the ${i}th time`;
    await as(actor, "placements.edit", { placement: read.items[0]!.id, context: words });
    const from = performance.now();
    const shows = async (place: string) => {
      while (!(await (await fetch(place)).text()).includes(words))
        await new Promise((resolve) => setTimeout(resolve, 20));
    };
    await Promise.all([shows(base + address), shows(second + address)]);
    delays.push(performance.now() - from);
  }
  const html = gzipSync(page).length;
  const letters = async (part: string) => {
    const files = ["literata", "atkinson"].map((face) => fetch(`${base}/fonts/${face}-${part}.woff2`));
    const sizes = await Promise.all(files.map(async (file) => (await (await file).arrayBuffer()).byteLength));
    return sizes.reduce((sum, one) => sum + one, 0);
  };
  const latin = html + (await letters("latin"));
  const more = latin + (await letters("more"));
  const script = gzipSync(READER_SCRIPT).length;
  return [
    {
      what: "Reader’s page of 100 items, asked for with gzip: requests a second beside a bare Next route handler of as many bytes",
      measured: `${times.toFixed(1)} times (${Math.round(ours)} to ${Math.round(median(bareRates))})`,
      aim: "at least 8 times",
      met: times >= 8,
    },
    {
      what: "The same in every look, beside a bare server of node:http that sends the same compressed bytes",
      measured: looks.map(({ view, share }) => `${view} ${Math.round(share * 100)} %`).join(", "),
      aim: "at least 80 % in each",
      met: lowest >= 0.8,
    },
    { what: "An unchanged reader’s page", measured: String(unchanged), aim: "304", met: unchanged === 304 },
    {
      what: "A change shows on the reader’s page in both processes, slowest of 12",
      measured: `${Math.round(Math.max(...delays))} ms`,
      aim: "under 1 s",
      met: Math.max(...delays) < 1000,
    },
    {
      what: "Script of the reader’s page, compressed",
      measured: `${(script / 1024).toFixed(1)} kB`,
      aim: "at most 12 kB",
      met: script <= 12 * 1024,
    },
    {
      what: "Reader’s page of 100 items with letters, compressed, without pictures: English; Polish",
      measured: `${(latin / 1024).toFixed(1)} kB; ${(more / 1024).toFixed(1)} kB`,
      aim: "at most 90 kB; 130 kB",
      met: latin <= 90 * 1024 && more <= 130 * 1024,
    },
  ];
}

/** A page of ours beside a bare server that sends the same bytes, in turns, three times each. */
async function besidePlain(url: string): Promise<{ ours: number; share: number }> {
  const page = Buffer.from(await (await fetch(url)).arrayBuffer());
  const plain = await bareServer(gzipSync(page, { level: 7 }));
  const rates: Record<"ours" | "plain", number[]> = { ours: [], plain: [] };
  for (let round = 0; round < 3; round++) {
    rates.plain.push(await rate(plain.address));
    rates.ours.push(await rate(url));
  }
  await plain.stop();
  return { ours: median(rates.ours), share: median(rates.ours) / median(rates.plain) };
}

async function rate(url: string): Promise<number> {
  const result = await autocannon({
    url,
    connections: 16,
    duration: SECONDS,
    headers: { "accept-encoding": "gzip" },
  });
  if (result.non2xx || result.errors)
    throw new Error(`${url}: ${result.non2xx} bad answers, ${result.errors} errors`);
  return result.requests.average;
}

/** A server of node:http that sends these bytes as they are, in a process of its own as ours is. */
async function bareServer(bytes: Buffer): Promise<{ address: string; stop: () => Promise<void> }> {
  const port = 6991;
  const script = `
    const bytes = Buffer.from(process.argv[1], "base64");
    require("node:http").createServer((request, response) => {
      response.writeHead(200, { "content-type": "text/html; charset=utf-8", "content-encoding": "gzip", "content-length": bytes.length });
      response.end(bytes);
    }).listen(${port}, "127.0.0.1");`;
  const child = spawn(process.execPath, ["-e", script, bytes.toString("base64")], { stdio: "ignore" });
  const gone = new Promise<void>((resolve) => child.once("exit", () => resolve()));
  const address = `http://127.0.0.1:${port}/`;
  for (let i = 0; i < 100 && !(await fetch(address).catch(() => null))?.ok; i++)
    await new Promise((resolve) => setTimeout(resolve, 100));
  return { address, stop: () => (child.kill("SIGKILL"), gone) };
}

/** A Next application of one route that sends these bytes, in a folder of its own, built and started as ours is. */
async function bareHandler(bytes: Buffer): Promise<{ address: string; stop: () => void }> {
  const folder = mkdtempSync(path.join(tmpdir(), "hobbin-bare-"));
  symlinkSync(path.resolve("node_modules"), path.join(folder, "node_modules"));
  mkdirSync(path.join(folder, "app/page"), { recursive: true });
  writeFileSync(path.join(folder, "package.json"), `{ "private": true }`);
  writeFileSync(path.join(folder, "next.config.mjs"), `export default { poweredByHeader: false };`);
  writeFileSync(
    path.join(folder, "app/page/route.js"),
    `const bytes = new Uint8Array(${JSON.stringify([...bytes])});\nexport const dynamic = "force-dynamic";\nexport const GET = () => new Response(bytes, { headers: { "content-type": "text/html; charset=utf-8" } });\n`,
  );
  const next = path.join(folder, "node_modules/next/dist/bin/next");
  const env = { ...process.env, NODE_ENV: "production" as const, NEXT_TELEMETRY_DISABLED: "1" };
  const built = spawnSync(process.execPath, [next, "build", "--webpack"], {
    cwd: folder,
    env,
    encoding: "utf8",
  });
  if (built.status !== 0) throw new Error(`the bare handler was not built: ${built.stdout}${built.stderr}`);
  const port = 6990;
  const child = spawn(process.execPath, [next, "start", "-p", String(port), "-H", "127.0.0.1"], {
    cwd: folder,
    env,
    stdio: "ignore",
  });
  const address = `http://127.0.0.1:${port}/page`;
  for (let i = 0; i < 100 && !(await fetch(address).catch(() => null))?.ok; i++)
    await new Promise((resolve) => setTimeout(resolve, 100));
  return { address, stop: () => (child.kill("SIGKILL"), rmSync(folder, { recursive: true, force: true })) };
}
