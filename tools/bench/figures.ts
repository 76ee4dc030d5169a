import { execFileSync } from "node:child_process";
import { cpus, totalmem } from "node:os";

export type Figure = { what: string; measured: string; aim: string; met: boolean };
/** A figure, and how quick the machine was when it was measured. */
export type Paced = Figure & { pace: number };

/**
 * How long this machine takes for the same piece of work just now, in ms, the quickest of five: some machines are at one
 * time four times as quick as at another, and who compares two days has to know.
 */
export function paceNow(): number {
  const took = Array.from({ length: 5 }, () => {
    const from = performance.now();
    const words = new Map<string, number>();
    for (let i = 0; i < 400_000; i++) words.set(`word ${(i * 7_919) % 50_021}`, i);
    return performance.now() - from;
  });
  return Math.round(Math.min(...took));
}

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

const COLUMNS = 6;

/**
 * The page docs/bench.md: what was measured now, and what stands there from earlier runs of other parts, each with its
 * day.
 * @param old the page as it is
 */
export function asMarkdown(figures: Paced[], date: Date, old: string): string {
  const database =
    execFileSync("mariadbd", ["--version"])
      .toString()
      .match(/Ver (\S+)/)?.[1] ?? "?";
  const browser = execFileSync("/usr/bin/chromium", ["--version", "--no-sandbox"]).toString().trim();
  const today = date.toISOString().slice(0, 10);
  const fresh = figures.map(
    ({ what, measured, aim, met, pace }) =>
      `| ${what} | ${measured} | ${aim} | ${met ? "yes" : "**no**"} | ${today} | ${pace} |`,
  );
  const measured = new Set(figures.map((figure) => figure.what));
  const kept = old
    .split("\n")
    .filter((line) => line.startsWith("| ") && !/^\| (what|---) /.test(line))
    .filter((line) => !measured.has(line.split(" | ")[0]!.slice(2)))
    .map((line) => (line.split(" | ").length < COLUMNS ? line.replace(/\|$/, "| – |") : line));
  return [
    "# Measurements",
    "",
    `Written by \`npm run bench\`, last on ${today}: ${cpus().length} × ${cpus()[0]?.model.trim()}, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.versions.node}, MariaDB ${database}, ${browser}.`,
    "Everything ran on that one machine at once: two application processes, the database, the load and the browser. Ratios compare things measured in the same run. What takes part in a p95 of searching follows 60 searches of its kind, as in a process that has been answering for a while. The pace is how many milliseconds the machine took for one and the same piece of work (400,000 writes into a map) just before: twice the pace is a machine half as quick, and bare times are to be read by it. The first page of a PDF comes in a tab that nobody is attached to, as a reader has it: who drives a browser holds its workers up, which is a quarter of that time.",
    "",
    "| what | measured | aim | met | on | pace |",
    "| --- | --- | --- | --- | --- | --- |",
    ...fresh,
    ...kept,
    "",
  ].join("\n");
}
