import path from "node:path";
import { migrate } from "@/data/migrate";
import { settings } from "@/outside/settings";

/** Brings the database to the newest schema. @returns how many steps were done */
export const bringSchema = (): Promise<number> =>
  migrate(settings().databaseUrl, path.join(process.cwd(), "src/data/migrations"));
