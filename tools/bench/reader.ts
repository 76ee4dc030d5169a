import autocannon from "autocannon";
import { spawn, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { gzipSync } from "node:zlib";
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
  const rates: { ours: number[]; bare: number[] } = { ours: [], bare: [] };
  for (let round = 0; round < 3; round++) {
    rates.bare.push(await rate(bare.address));
    rates.ours.push(await rate(base + address));
  }
  bare.stop();
  const ratio = median(rates.ours) / median(rates.bare);
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
  const font = (await (await fetch(`${base}/fonts/atkinson.woff2`)).arrayBuffer()).byteLength;
  const html = gzipSync(page).length;
  const script = gzipSync(READER_SCRIPT).length;
  return [
    {
      what: "Reader’s page of 100 items: requests a second beside a bare route handler of as many bytes",
      measured: `${Math.round(ratio * 100)} % (${Math.round(median(rates.ours))} to ${Math.round(median(rates.bare))})`,
      aim: "at least 80 %",
      met: ratio >= 0.8,
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
      what: "Reader’s page of 100 items with letters, compressed, without pictures",
      measured: `${((html + font) / 1024).toFixed(1)} kB`,
      aim: "at most 60 kB",
      met: html + font <= 60 * 1024,
    },
  ];
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
