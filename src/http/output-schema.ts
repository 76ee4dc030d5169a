import type { Schema } from "./input-schema";
import outputs from "./outputs.json";

type Described = { actions: Record<string, Schema>; $defs: Record<string, Schema> };
const { actions, $defs } = outputs as unknown as Described;

/** Where the description of the open interface has the schemas that several answers share. */
const SHARED = "#/components/schemas/";

/** What an action answers, for the description of the open interface; written by `npm run describe`. */
export const outputSchema = (name: string): Schema => inDescription(actions[name] ?? {}) as Schema;

/** The schemas that several answers share, by name. */
export const sharedSchemas = (): Record<string, Schema> => inDescription($defs) as Record<string, Schema>;

/** The same with its references as they are in the description. */
function inDescription(value: unknown): unknown {
  return JSON.parse(JSON.stringify(value).replaceAll('"#/$defs/', `"${SHARED}`));
}
