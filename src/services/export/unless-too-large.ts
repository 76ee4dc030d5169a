import { Problem } from "@/mechanism/problem";
import { TooMuch, TooSlow } from "@/outside/threads/in-thread";

/**
 * What a thread makes of a collection.
 * @throws {Problem} export-too-large, when the thread was let go because it took too long; export-too-much, when it had no
 *   room for it
 */
export const unlessTooLarge = <T>(work: Promise<T>): Promise<T> =>
  work.catch((error: unknown) => {
    if (error instanceof TooSlow) throw new Problem("export-too-large");
    if (error instanceof TooMuch) throw new Problem("export-too-much");
    throw error;
  });
