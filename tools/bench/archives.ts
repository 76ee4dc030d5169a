import { spawn } from "node:child_process";
import { createWriteStream, mkdtempSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { pipeline } from "node:stream/promises";
import { addArchiveImport, findArchiveImport } from "@/data/archive/load";
import { ARCHIVED } from "@/data/archive/tables";
import { addMember, addTeam } from "@/data/queries/teams";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { adoptFile } from "@/outside/files";
import { newId } from "@/outside/random";
import { settings } from "@/outside/settings";
import { bringBack } from "@/services/archives/come-back";
import { archiveOf } from "@/services/archives/take";
import { type Figure, median } from "./figures";

const RESOURCES = 100_000;
/** So many lines a second an import takes in, by its own row on this page. */
const IMPORT = 1_438;

/** What it costs to take a large team along, beside the database's own program for it, and to bring it back. */
export async function* measureArchives(actor: Actor, team: string): AsyncGenerator<Figure> {
  const folder = mkdtempSync(path.join(tmpdir(), "hobbin-bench-archive-"));
  const file = path.join(folder, "archive.zip");
  try {
    const ours: number[] = [];
    const dumps: number[] = [];
    let most = 0;
    const before = process.memoryUsage().rss;
    const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss - before)), 50);
    for (let round = 0; round < 3; round++) {
      dumps.push(await dump());
      const from = performance.now();
      await pipeline(archiveOf({ team, person: actor.person!.id }), createWriteStream(file));
      ours.push(performance.now() - from);
    }
    clearInterval(watch);
    const share = median(dumps) / median(ours);
    yield {
      what: `${RESOURCES.toLocaleString("en")} resources as an archive (${Math.round(statSync(file).size / 1e6)} MB), beside mariadb-dump of the same tables through gzip -1, median of 3`,
      measured: `${Math.round(share * 100)} % of its rate (${(median(ours) / 1000).toFixed(1)} s to ${(median(dumps) / 1000).toFixed(1)} s)`,
      aim: "at least 40 %",
      met: share >= 0.4,
    };
    yield {
      what: "The memory that took besides, at most",
      measured: `${Math.round(most / 1e6)} MB`,
      aim: "under 300 MB",
      met: most < 300e6,
    };
    const { hash } = await adoptFile(file);
    const [id, fresh, at] = [newId(), newId(), new Date()];
    const person = actor.person!.id;
    await addTeam(database(), { id: fresh, name: "Coming back", createdAt: at });
    await addMember(database(), { id: newId(), team: fresh, person, role: "owner", createdAt: at });
    await addArchiveImport(database(), {
      ...{ id, team: fresh, person, hash, state: "running", createdAt: at, updatedAt: at },
    });
    const from = performance.now();
    await bringBack(id);
    const seconds = (performance.now() - from) / 1000;
    const { state, problem } = (await findArchiveImport(database(), id))!;
    if (state !== "done") throw new Error(`it was not brought back: ${problem}`);
    const rate = RESOURCES / seconds;
    yield {
      what: "The same brought back: resources a second, with their tags and history",
      measured: `${Math.round(rate)} (${seconds.toFixed(0)} s)`,
      aim: `no less than an import takes in (${IMPORT})`,
      met: rate >= IMPORT,
    };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** How long the database's own program takes for the same tables. */
function dump(): Promise<number> {
  const { hostname, port, username, password, pathname } = new URL(settings().databaseUrl);
  const tables = ARCHIVED.map((one) => one.name);
  const args = [
    `--host=${hostname}`,
    `--port=${port}`,
    `--user=${username}`,
    "--single-transaction",
    "--quick",
  ];
  const script = `"$@" | gzip -1 > /dev/null`;
  const from = performance.now();
  return new Promise((resolve, reject) => {
    const child = spawn(
      "bash",
      [
        "-o",
        "pipefail",
        "-c",
        script,
        "dump",
        "mariadb-dump",
        "--no-defaults",
        ...args,
        pathname.slice(1),
        ...tables,
      ],
      {
        env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
        stdio: ["ignore", "ignore", "inherit"],
      },
    );
    child.once("error", reject);
    child.once("exit", (code) =>
      code === 0 ? resolve(performance.now() - from) : reject(new Error(`mariadb-dump ended with ${code}`)),
    );
  });
}
