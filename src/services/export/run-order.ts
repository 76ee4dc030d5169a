import { createWriteStream } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { findOrder, type OrderRow, setOrder } from "@/data/queries/ordered-files";
import { database } from "@/mechanism/changing";
import { Problem } from "@/mechanism/problem";
import { adoptFile, storeFile } from "@/outside/files";
import { log } from "@/outside/log";
import { type Made, makeFile } from "./make";
import type { Patience } from "./pages";

/** For what nobody waits at: more items than any team has, and five minutes of a thread. */
export const WHILE_NOBODY_WAITS = { items: 50_000, limit: 300_000 };
/** How often it is said how far it is, in milliseconds. */
const OFTEN = 500;

/**
 * Makes a file that was ordered, for who ordered it, and stores it. Done once more, after a kill, it begins again.
 * @param id of the order
 */
export async function runOrder(id: string): Promise<void> {
  const row = await findOrder(database(), id);
  if (!row || row.state !== "running") return;
  const told = new Told(id);
  try {
    // Whether they still may is asked once more.
    const who = { person: { id: row.person, name: "", email: "" }, share: null };
    const made = await makeFile(who, row.asked, { ...WHILE_NOBODY_WAITS, tell: told.tell });
    const file = await stored(made);
    await told.end();
    await setOrder(database(), id, {
      state: "ready",
      name: made.name.slice(0, 200),
      type: made.type,
      ...file,
    });
  } catch (error) {
    await told.end();
    if (!(error instanceof Problem)) throw error;
    await setOrder(database(), id, { state: "failed", problem: error.message.slice(0, 300) });
  }
}

/** It failed too often. */
export const giveUpOrder = (id: string): Promise<void> =>
  setOrder(database(), id, {
    state: "failed",
    problem: "It could not be made, after several tries. Order it again, or choose some of the items.",
  });

async function stored({ content }: Made): Promise<{ hash: string; bytes: number }> {
  if (!(content instanceof Readable)) {
    const bytes = Buffer.from(content);
    return { hash: await storeFile(bytes), bytes: bytes.length };
  }
  const folder = await mkdtemp(path.join(os.tmpdir(), "hobbin-export-"));
  try {
    const file = path.join(folder, "file");
    await pipeline(content, createWriteStream(file));
    return await adoptFile(file);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Writes down how far it is, now and then, and never two at once. */
class Told {
  readonly #id: string;
  #last = 0;
  #writing: Promise<void> = Promise.resolve();

  constructor(id: string) {
    this.#id = id;
  }

  readonly tell: Patience["tell"] = (step, done = 0, total = 0) => {
    const at = performance.now();
    if (at - this.#last < OFTEN && done > 0) return;
    this.#last = at;
    this.#writing = this.#writing
      .then(() => setOrder(database(), this.#id, { step, done, total } satisfies Partial<OrderRow>))
      .catch((error: unknown) => log.warn({ err: error }, "how far a file is could not be written down"));
  };

  end(): Promise<void> {
    return this.#writing;
  }
}
