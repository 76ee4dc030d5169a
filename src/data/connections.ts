import mysql, { type Connection, type Pool, type PoolOptions } from "mysql2";
import type { PoolConnection } from "mysql2/promise";

type Answer = (error: NodeJS.ErrnoException | null, ...results: unknown[]) => void;

/**
 * Errors after which a connection is of no more use, because its server has become one that is only read, as after a
 * failover: 1290 option prevents statement, 1792 read-only transaction, 1836 read-only mode.
 * https://mariadb.com/kb/en/mariadb-error-code-reference/
 */
const READ_ONLY = new Set([1290, 1792, 1836]);
const isOfNoUse = (error: NodeJS.ErrnoException & { fatal?: boolean }) =>
  READ_ONLY.has(error.errno ?? 0) || error.fatal === true || error.code === "PROTOCOL_SEQUENCE_TIMEOUT";

/** How long a connection is waited for in a pool that gives none to anybody, in milliseconds. */
const TURN = 5_000;
/** How long it is waited for where others get theirs, in milliseconds: a hundred at once are a queue, not a failure. */
const QUEUE = 30_000;
/** How long an answer to a statement is waited for, in milliseconds; what takes longer has been forgotten by its server. */
const ANSWER = 90_000;

/** When each pool last gave a connection to somebody. */
const gave = new WeakMap<Pool, number>();

/**
 * A connection of the pool; it is to be released or destroyed.
 * @throws with the code NO_CONNECTION, when none was free for too long
 */
export async function connectionOf(pool: Pool, turn = TURN, queue = QUEUE): Promise<PoolConnection> {
  const getting = pool.promise().getConnection();
  const since = performance.now();
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    const look = () => {
      const now = performance.now();
      const left = Math.min((gave.get(pool) ?? since) + turn, since + queue) - now;
      if (left > 0) {
        timer = setTimeout(look, left);
        return;
      }
      // The one that comes after all goes back.
      getting.then(
        (connection) => connection.release(),
        () => undefined,
      );
      reject(Object.assign(new Error("No connection was free."), { code: "NO_CONNECTION" }));
    };
    timer = setTimeout(look, turn);
  });
  return Promise.race([getting, late]).finally(() => clearTimeout(timer));
}

/**
 * A pool of connections whose `query` takes a connection and gives it back itself. The pool's own one exchanges the
 * callback of each command after it was made; everything answered since then outlives V8's quick collections (seen with
 * mysql2 3.24 and Node 20), which with texts of 4 kB took twenty times as long.
 */
export function openPool(options: PoolOptions): Pool {
  const pool = mysql.createPool({ connectTimeout: TURN, ...options });
  pool.on("connection", boundAnswers);
  // The pool's own event is silent about those it gives to who stood in its queue.
  const get = pool.getConnection.bind(pool);
  pool.getConnection = (told) =>
    get((error, connection) => {
      if (connection) gave.set(pool, performance.now());
      told(error, connection);
    });
  const query = (...asked: [sql: unknown, ...rest: unknown[]]) => {
    const answer = asked.pop() as Answer;
    pool.getConnection((failed, connection) => {
      if (failed) return answer(failed);
      const done: Answer = (error, ...results) => {
        if (error && isOfNoUse(error)) connection.destroy();
        else connection.release();
        answer(error, ...results);
      };
      try {
        (connection.query as (...all: unknown[]) => void)(...asked, done);
      } catch (error) {
        // What cannot be written as SQL.
        done(error as Error);
      }
    });
  };
  pool.query = query as unknown as Pool["query"];
  return pool;
}

/** Every statement of a connection has an end, on this side too: a server that has stopped says nothing more. */
function boundAnswers(connection: Connection): void {
  const query = connection.query.bind(connection) as (...all: unknown[]) => unknown;
  connection.query = ((asked: unknown, ...rest: unknown[]) =>
    query(
      typeof asked === "string" ? { sql: asked, timeout: ANSWER } : { timeout: ANSWER, ...(asked as object) },
      ...rest,
    )) as typeof connection.query;
}
