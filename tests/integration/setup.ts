import { closeDatabase } from "@/data/database";
import { migrate } from "@/data/migrate";
import { settings } from "@/outside/settings";

/** Brings the throw-away database up before the first test, in the process that starts them all. */
export default async function setup() {
  await migrate(settings().databaseUrl, "src/data/migrations");
  return closeDatabase;
}
