import { execFile } from "node:child_process";
import { promisify } from "node:util";

const executing = promisify(execFile);

/**
 * Runs a program to its end.
 * @param {string} program
 * @param {string[]} args
 * @param {number} most how long it may take, in milliseconds; two minutes when nothing is said
 * @returns {Promise<string>} what it wrote to its output
 * @throws when it fails, or takes longer
 */
export const execute = async (program, args, most = 120_000) =>
  (await executing(program, args, { timeout: most, maxBuffer: 64 * 1024 * 1024 })).stdout;
