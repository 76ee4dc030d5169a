import { createHash } from "node:crypto";
import { RateLimiterMySQL, RateLimiterRes } from "rate-limiter-flexible";
import { lt } from "drizzle-orm";
import { poolOf, type Tx } from "./database";
import { limitUse } from "./schema";

/** How much of something there may be in a time. */
export type Limit = {
  /** Short, and no other limit's. */
  name: string;
  most: number;
  /** In seconds. */
  within: number;
};

const limiters = new Map<string, RateLimiterMySQL>();

function limiterOf(url: string, { name, most, within }: Limit): RateLimiterMySQL {
  const key = `${url} ${name} ${most} ${within}`;
  let limiter = limiters.get(key);
  if (!limiter) {
    limiter = new RateLimiterMySQL({
      storeClient: poolOf(url),
      storeType: "pool",
      dbName: new URL(url).pathname.slice(1),
      tableName: "limit_use",
      tableCreated: true,
      clearExpiredByTimeout: false,
      keyPrefix: name,
      points: most,
      duration: within,
    });
    limiters.set(key, limiter);
  }
  return limiter;
}

/** Whom it is about is not to be read in the table. */
const hidden = (whom: string) => createHash("sha256").update(whom.toLowerCase()).digest("base64url");

/**
 * Uses some of a limit; all processes count together.
 * @param url of the database
 * @param whom it is about: an address, a mail address, a person
 * @param points how much is used
 * @returns whether it was within the limit
 */
export async function useUp(url: string, limit: Limit, whom: string, points = 1): Promise<boolean> {
  try {
    await limiterOf(url, limit).consume(hidden(whom), points);
    return true;
  } catch (reason) {
    if (reason instanceof RateLimiterRes) return false;
    throw reason;
  }
}

/** Whether the limit is used up, without using any of it. */
export async function isUsedUp(url: string, limit: Limit, whom: string): Promise<boolean> {
  const used = await limiterOf(url, limit).get(hidden(whom));
  return used !== null && used.consumedPoints >= limit.most;
}

/** Gives back what was used for something that turned out to be right. */
export const giveBack = (url: string, limit: Limit, whom: string, points = 1): Promise<unknown> =>
  limiterOf(url, limit).reward(hidden(whom), points);

/** Forgets what has run out. */
export async function clearLimits(tx: Tx, at: Date): Promise<void> {
  await tx.delete(limitUse).where(lt(limitUse.expire, at.getTime()));
}
