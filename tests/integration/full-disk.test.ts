import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { build } from "esbuild";
import { expect, onTestFinished, test } from "vitest";
import { as, makeWorld } from "./world";

/** A disk of its own is given to a process by a namespace (unshare(1)), which not every machine lets one have. */
const canMount =
  spawnSync("unshare", ["-Urm", "sh", "-c", 'mount -t tmpfs none "$1"', "sh", os.tmpdir()]).status === 0;

test.skipIf(!canMount)(
  "on a full disk an ordered file waits, nothing half stays lying, and it is made once there is room",
  async () => {
    const { editor, team, collection } = await makeWorld();
    for (const n of [1, 2, 3])
      await as(editor, "capture.work", {
        ...{ team, type: "book", title: `Book ${n}`, collection, address: `https://full.example/${n}` },
      });
    const orders: string[] = [];
    // One is written as it is made, one at once when it is whole.
    for (const asked of [{ format: "folder", copies: "all" }, { format: "docx" }])
      orders.push((await as(editor, "export.order", { collection, ...asked })).order);
    const disk = mkdtempSync(path.join(os.tmpdir(), "hobbin-full-"));
    onTestFinished(() => rmSync(disk, { recursive: true, force: true }));
    const outfile = path.resolve("build/test/full-disk-alone.mjs");
    await build({
      ...{ entryPoints: ["tests/integration/full-disk-alone.ts"], outfile, bundle: true },
      ...{ packages: "external", platform: "node", format: "esm", target: "node20.10" },
      ...{ alias: { "@": path.resolve("src") }, logLevel: "error" },
    });
    const inside = 'disk="$1"; mount -t tmpfs -o size=8m none "$disk" && shift && exec "$@"';
    const { stdout } = spawnSync(
      "unshare",
      ["-Urm", "sh", "-c", inside, "sh", disk, process.execPath, outfile, disk, ...orders],
      {
        env: { ...process.env, TMPDIR: disk, HOBBIN_FILES: path.join(disk, "files"), HOBBIN_MAIL_IN: "off" },
        encoding: "utf8",
        stdio: ["ignore", "pipe", "inherit"],
      },
    );
    expect(JSON.parse(stdout.trim().split("\n").at(-1)!)).toEqual({
      files: path.join(disk, "files"),
      failed: ["ENOSPC", "ENOSPC"],
      lying: [],
      states: [
        { state: "ready", whole: true },
        { state: "ready", whole: true },
      ],
    });
  },
  60_000,
);
