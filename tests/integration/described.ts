import Ajv, { type ValidateFunction } from "ajv/dist/2020.js";
import outputs from "@/http/outputs.json";

const ajv = new Ajv({
  allErrors: true,
  // A pair is described by its two values; that there are no more goes without saying.
  strictTuples: false,
  formats: { "date-time": (text: string) => !Number.isNaN(Date.parse(text)) },
});
const checks = new Map<string, ValidateFunction>();

/**
 * Holds an answer, as it leaves as JSON, against what the open description says of it.
 * @throws when it has drifted: `npm run describe` describes what is answered now
 */
export function mustBeAsDescribed(name: string, answer: unknown): void {
  const schema = (outputs.actions as Record<string, object>)[name];
  if (!schema) throw new Error(`${name} is not described. Run: npm run describe`);
  // What leaves as bytes has no description.
  if (!Object.keys(schema).length || Object.values(Object(answer)).some(isBytes)) return;
  let check = checks.get(name);
  if (!check) checks.set(name, (check = ajv.compile({ ...schema, $defs: outputs.$defs })));
  if (!check(JSON.parse(JSON.stringify(answer))))
    throw new Error(`${name} answers otherwise than described: ${ajv.errorsText(check.errors)}`);
}

const isBytes = (value: unknown) =>
  value instanceof Uint8Array || (typeof value === "object" && value !== null && "pipe" in value);
