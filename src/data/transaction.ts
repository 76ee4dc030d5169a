import type { Database, Tx } from "./database";

/**
 * Numbers of errors after which the same transaction may succeed: 1213 deadlock, 1020 row changed since read,
 * 1205 lock wait, 1180 commit refused by the cluster.
 * https://mariadb.com/kb/en/mariadb-error-code-reference/
 */
const LOST = new Set([1213, 1020, 1205, 1180]);
const TRIES = 5;

/** The driver's error number under Drizzle's wrapping, or undefined. */
function errorNumber(error: unknown): number | undefined {
  for (let e = error; e instanceof Error; e = e.cause) {
    const number = (e as { errno?: unknown }).errno;
    if (typeof number === "number") return number;
  }
  return undefined;
}

/** 1062: the row is there already (a request sent twice, or two people at once). */
export const isDuplicate = (error: unknown): boolean => errorNumber(error) === 1062;

/** 1452: what the row belongs to is not there (any more). */
export const isOrphan = (error: unknown): boolean => errorNumber(error) === 1452;

/**
 * Runs `work` in one transaction; a transaction lost to another one is rolled back and tried again, five times,
 * after a pause with jitter so that the same two do not meet again.
 */
export async function transact<T>(
  database: Database,
  work: (tx: Tx) => Promise<T>,
  pause: (attempt: number) => Promise<void> = jitter,
): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await database.transaction((tx) => work(tx as unknown as Tx));
    } catch (error) {
      const number = errorNumber(error);
      // Somebody else made the same thing a moment ago, or took away what it belongs to: at the second look that is seen.
      const again =
        number === 1062 || number === 1452
          ? attempt === 1
          : number !== undefined && LOST.has(number) && attempt < TRIES;
      if (!again) throw error;
      await pause(attempt);
    }
  }
}

const jitter = (attempt: number) =>
  new Promise<void>((resolve) => setTimeout(resolve, Math.random() * 20 * 2 ** attempt));
