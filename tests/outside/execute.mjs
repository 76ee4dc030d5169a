import { execFile } from "node:child_process";
import { promisify } from "node:util";

const executing = promisify(execFile);

/**
 * Runs a program to its end.
 * @param {string} program
 * @param {string[]} args
 * @returns {Promise<string>} what it wrote to its output
 * @throws when it fails, or takes more than two minutes
 */
export const execute = async (program, args) =>
  (await executing(program, args, { timeout: 120_000, maxBuffer: 64 * 1024 * 1024 })).stdout;
