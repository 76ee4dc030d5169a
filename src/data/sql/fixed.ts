import { type SQL, sql } from "drizzle-orm";
import { MySqlDialect } from "drizzle-orm/mysql-core";

const dialect = new MySqlDialect();

/**
 * SQL in which nothing changes from one time to the next, written out once. Of statements that are asked with every
 * search or every change, Drizzle takes longer to put names together than the database to answer.
 * @param piece tables and columns, no values
 * @throws when there are values in it, which would be lost
 */
export function fixed(piece: SQL): SQL {
  const { sql: text, params } = dialect.sqlToQuery(piece);
  if (params.length) throw new Error(`SQL that is fixed has no values: ${text}`);
  return sql.raw(text);
}
