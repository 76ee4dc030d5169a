import { mkdtemp, rm, writeFile } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import {
  type Foreign,
  institutionsIn,
  withAddresses,
  withWebPages,
  withWholeNames,
} from "@/core/formats/foreign-references";
import { runProgram } from "./program";

/** Debian's bibutils: each reads one kind of list and writes MODS. */
const READERS: Record<Foreign, string | null> = {
  ...{ endnote: "end2xml", "endnote-xml": "endx2xml", isi: "isi2xml", mods: null, pubmed: "med2xml" },
};
const UTF8 = ["-i", "unicode", "-o", "unicode"];

/** The program that reads such lists is not on this machine. */
export class NotInstalled extends Error {}

/** Thrown when so many lists wait that this one would wait too long. */
export class TooMany extends Error {}

/** Two at a time, and so many that wait for them; each takes seconds at the most. */
const MOST_AT_ONCE = 2;
const MOST_WAITING = 10;
let running = 0;
const waiting: (() => void)[] = [];

/**
 * A reference list as RIS, by Debian's bibutils.
 * @param from what kind of list it is
 * @param text the list, decoded
 * @throws {NotInstalled} when bibutils is not here
 * @throws {TooMany} when others wait already
 * @throws {Error} when the list is broken, or takes longer than 20 s
 */
export async function referencesAsRis(from: Foreign, text: string): Promise<string> {
  if (waiting.length >= MOST_WAITING) throw new TooMany("too many lists are being read");
  // Whoever ends hands on their turn, so that nobody who comes in between takes it.
  if (running >= MOST_AT_ONCE) await new Promise<void>((resolve) => waiting.push(resolve));
  else running++;
  try {
    return await convert(from, text);
  } catch (error) {
    throw isMissing(error) ? new NotInstalled("bibutils is not installed") : error;
  } finally {
    const next = waiting.shift();
    if (next) next();
    else running--;
  }
}

async function convert(from: Foreign, text: string): Promise<string> {
  const reader = READERS[from];
  const mods = reader ? await toMods(reader, from, withAddresses(from, text)) : text;
  return withWholeNames((await runProgram("xml2ris", UTF8, withWebPages(mods))).toString("utf8"));
}

/** Names it would take apart are named to it in a file. */
async function toMods(reader: string, from: Foreign, text: string): Promise<string> {
  const whole = institutionsIn(from, text);
  if (!whole.length) return (await runProgram(reader, UTF8, text)).toString("utf8");
  const folder = await mkdtemp(path.join(os.tmpdir(), "hobbin-references-"));
  try {
    const names = path.join(folder, "names");
    await writeFile(names, `${whole.flatMap((name) => [name, `${name},`]).join("\n")}\n`);
    return (await runProgram(reader, [...UTF8, "-as", names], text)).toString("utf8");
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

const isMissing = (error: unknown): boolean =>
  ["ENOENT", 127].includes((error as { code?: string | number }).code!);
