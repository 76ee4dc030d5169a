import type { Tx } from "@/data/database";
import { shelvesForEverybody } from "@/data/queries/care";
import { settings } from "@/outside/settings";

/** Whether everybody sees what is public here without an account: as stewards say, and until they do, as the settings do. */
export const areForEverybody = async (tx: Tx): Promise<boolean> =>
  (await shelvesForEverybody(tx)) ?? settings().shelves === "everybody";
