import { execFile } from "node:child_process";

/** Of util-linux, which every Debian has. */
const LIMITER = "prlimit";
const LIMITS = { timeout: 20_000, maxBuffer: 40_000_000, killSignal: "SIGKILL" as const };

/**
 * Runs one of Debian's programs, a process of its own with a limit of time and memory, so that a hostile file ends that
 * process and nothing else.
 * @param input what it reads, where it reads no file
 * @throws {Error} when it does not end well, takes longer than 20 s, or writes more than 40 MB; `code` ENOENT when `prlimit`
 *   is missing, 127 when the program is; `said` what it said of it
 */
export function runProgram(program: string, args: readonly string[], input?: string): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const child = execFile(
      LIMITER,
      ["--as=2000000000", "--", program, ...args],
      { ...LIMITS, encoding: "buffer" },
      (error, stdout, stderr) =>
        error ? reject(Object.assign(error, { said: stderr.toString("utf8") })) : resolve(stdout),
    );
    // One that ends without reading says by its code what was wrong.
    child.stdin?.on("error", () => {});
    if (input !== undefined) child.stdin?.end(input);
  });
}
