import { mkdir, rm } from "node:fs/promises";
import { createWriteStream } from "node:fs";
import os from "node:os";
import path from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import { fileName } from "@/core/formats/file-name";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { within } from "@/mechanism/limits";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";
import { seal, unseal } from "@/outside/seal";
import { requestAddress } from "@/outside/request-context";
import { takeIn } from "../files/uploads";
import { mustTake } from "./takes-now";

/** The most one file may have that somebody suggests, in megabytes: a long voice note, a large photo, a scanned text. */
const MOST_MEGABYTES = 25;
/** So long one may take to say something about it, in milliseconds. */
const HELD = 86_400_000;

type File = Awaited<ReturnType<typeof takeIn>> & { name: string; page: string; until: number };

/**
 * Takes in a file somebody wants to suggest. It is nobody's until it is: what comes back says of it, sealed, what it is, and
 * without a suggestion it is cleared like every file that nobody holds.
 * @param page the id of the page for suggestions
 * @param body as it comes; it is never whole in memory
 * @returns what `suggestions.offer` takes
 * @throws {Problem} too-large, too-many-suggestions, and as `takeIn` does
 */
async function takeSuggestedFile(page: string, name: string, body: ReadableStream): Promise<string> {
  const folder = path.join(os.tmpdir(), "hobbin-suggested");
  await mkdir(folder, { recursive: true });
  const file = path.join(folder, newId());
  let bytes = 0;
  const counted = new Transform({
    transform(part: Buffer, _, done) {
      bytes += part.length;
      const most = MOST_MEGABYTES * 1_000_000;
      done(bytes > most ? new Problem("too-large", `At most ${MOST_MEGABYTES} MB, please.`) : null, part);
    },
  });
  try {
    await pipeline(Readable.fromWeb(body as never), counted, createWriteStream(file));
    if (!(await within("suggestedFiles", page, Math.ceil(bytes / 1e6))))
      throw new Problem("too-many-suggestions");
    const clean = fileName(name, "file");
    const taken: File = {
      ...(await takeIn(file, clean)),
      ...{ name: clean, page, until: now().getTime() + HELD },
    };
    return seal(JSON.stringify(taken));
  } finally {
    await rm(file, { force: true });
  }
}

/**
 * The same at the address of a page.
 * @param link the code in that address
 * @throws {Problem} suggestions-ended, suggestions-closed, too-many-suggestions
 */
export async function takeFileFor(
  actor: Actor,
  link: string,
  name: string,
  body: ReadableStream,
): Promise<string> {
  const tx = database();
  const { page } = await can.suggest()({ actor, input: { page: link }, tx });
  mustTake(page!, now());
  const from = requestAddress();
  if (from && !(await within("suggestions", from))) throw new Problem("too-many-suggestions");
  return takeSuggestedFile(page!.id, name, body);
}

/**
 * What came back for a file, opened.
 * @throws {Problem} when it was not made for this page, or too long ago
 */
export function openedFile(sealed: string, page: string, at: Date): File {
  try {
    const file = JSON.parse(unseal(sealed)) as File;
    if (file.page === page && file.until > at.getTime()) return file;
  } catch {
    // It was made up, or sealed elsewhere.
  }
  throw fieldProblem("file", "file-not-arrived");
}
