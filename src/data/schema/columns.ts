import { customType, datetime, varchar } from "drizzle-orm/mysql-core";

/** MariaDB's own UUID type: 16 bytes in the index, text outside. Version 7 keeps its order in time. */
export const uuid = customType<{ data: string; driverData: string }>({ dataType: () => "uuid" });

/** Text that is compared byte by byte: keys, hashes, codes, order keys. */
export const bytesText = customType<{ data: string; driverData: string; config: { length: number } }>({
  dataType: (config) => `varchar(${config?.length ?? 64}) character set ascii collate ascii_bin`,
});

/** Words of any script that are compared letter by letter: folded keys, mail addresses. */
export const exactText = customType<{ data: string; driverData: string; config: { length: number } }>({
  dataType: (config) => `varchar(${config?.length ?? 255}) character set utf8mb4 collate utf8mb4_bin`,
});

/** A time in UTC, to the millisecond. */
export const moment = (name: string) => datetime(name, { mode: "date", fsp: 3 });

/** A short line people wrote. */
export const line = (name: string, length = 300) => varchar(name, { length });

/** JSON that may be larger than a row of text: up to 16 MB. */
export const bigJson = <T>(name: string) =>
  customType<{ data: T; driverData: string }>({
    dataType: () => "mediumtext character set utf8mb4 collate utf8mb4_bin",
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (value) => JSON.parse(value) as T,
  })(name);

/** An id that is compared byte by byte, whatever its version. */
export const bytes16 = customType<{ data: Uint8Array; driverData: Uint8Array }>({
  dataType: () => "binary(16)",
});

/** Few enough bytes that they stay beside the other columns of their row. */
export const packed = customType<{ data: Uint8Array; driverData: Uint8Array }>({
  dataType: () => "blob",
});
