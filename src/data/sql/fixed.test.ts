import { sql } from "drizzle-orm";
import { MySqlDialect } from "drizzle-orm/mysql-core";
import { expect, test } from "vitest";
import { resource } from "../schema";
import { fixed } from "./fixed";

test("names are written out once, values are put around them, and none can be lost inside", () => {
  const head = fixed(sql`SELECT ${resource.id} FROM ${resource}`);
  const query = new MySqlDialect().sqlToQuery(sql`${head} WHERE kind = ${"page"}`);
  expect(query.sql).toBe("SELECT `resource`.`id` FROM `resource` WHERE kind = ?");
  expect(query.params).toEqual(["page"]);
  expect(() => fixed(sql`SELECT ${1}`)).toThrow("no values");
});
