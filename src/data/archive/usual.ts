import { createHash } from "node:crypto";

/** What a field of most rows holds because it follows from the rest of the row, or because there is nothing. */
type Usual = {
  /** The same as an expression of MariaDB. */
  sql: string;
  /** @param row as the archive has it; undefined: of this one it does not follow */
  of: (row: Readonly<Record<string, unknown>>) => unknown;
};

const NO_LIST: Usual = { sql: "'[]'", of: () => [] };
const NO_FIELDS: Usual = { sql: "'{}'", of: () => ({}) };
/**
 * By what an address is found again, of those whose form for comparing (`sameAddress`) is all of it but its scheme, as it is of
 * most: a tenth of their rows.
 */
const OWN_HASH: Usual = {
  sql: "REPLACE(REPLACE(TRIM(TRAILING '=' FROM TO_BASE64(UNHEX(SHA2(SUBSTRING(`address`,LOCATE(':',`address`)+1),256)))),'+','-'),'/','_')",
  of: ({ address }) =>
    typeof address === "string" && address
      ? createHash("sha256")
          .update(address.slice(address.indexOf(":") + 1))
          .digest("base64url")
      : undefined,
};

const USUAL: Readonly<Record<string, Readonly<Record<string, Usual>>>> = {
  resource: { addressHash: OWN_HASH, authors: NO_LIST, details: NO_FIELDS, typed: NO_LIST },
};

/** What an archive leaves out of a field of a table when it is just that; undefined: nothing. */
export const usualOf = (table: string, field: string): Usual | undefined => USUAL[table]?.[field];
