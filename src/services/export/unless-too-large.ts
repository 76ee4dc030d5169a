import { Problem } from "@/mechanism/problem";
import { TooSlow } from "@/outside/threads/in-thread";

/**
 * What a thread makes of a collection.
 * @throws {Problem} export-too-large, when the thread was let go because it took too long
 */
export const unlessTooLarge = <T>(work: Promise<T>): Promise<T> =>
  work.catch((error: unknown) => {
    if (error instanceof TooSlow) throw new Problem("export-too-large");
    throw error;
  });
