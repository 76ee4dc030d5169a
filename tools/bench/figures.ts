import { execFileSync } from "node:child_process";
import { cpus, totalmem } from "node:os";

export type Figure = { what: string; measured: string; aim: string; met: boolean };

/** The middle one. */
export function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}

export async function timed(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

/**
 * The page docs/bench.md: what was measured now, and what stands there from earlier runs of other parts, each with its
 * day.
 * @param old the page as it is
 */
export function asMarkdown(figures: Figure[], date: Date, old: string): string {
  const database =
    execFileSync("mariadbd", ["--version"])
      .toString()
      .match(/Ver (\S+)/)?.[1] ?? "?";
  const browser = execFileSync("/usr/bin/chromium", ["--version", "--no-sandbox"]).toString().trim();
  const today = date.toISOString().slice(0, 10);
  const fresh = figures.map(
    ({ what, measured, aim, met }) =>
      `| ${what} | ${measured} | ${aim} | ${met ? "yes" : "**no**"} | ${today} |`,
  );
  const measured = new Set(figures.map((figure) => figure.what));
  const kept = old
    .split("\n")
    .filter((line) => line.startsWith("| ") && !/^\| (what|---) /.test(line))
    .filter((line) => !measured.has(line.split(" | ")[0]!.slice(2)));
  return [
    "# Measurements",
    "",
    `Written by \`npm run bench\`, last on ${today}: ${cpus().length} × ${cpus()[0]?.model.trim()}, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.versions.node}, MariaDB ${database}, ${browser}.`,
    "Everything ran on that one machine at once: two application processes, the database, the load and the browser. Ratios compare things measured in the same run. What takes part in a p95 of searching follows 60 searches of its kind, as in a process that has been answering for a while.",
    "",
    "| what | measured | aim | met | on |",
    "| --- | --- | --- | --- | --- |",
    ...fresh,
    ...kept,
    "",
  ].join("\n");
}
