import { getMetadataStorage } from "class-validator";
import type { InputClass } from "@/mechanism/input";

/** A part of JSON Schema, as OpenAPI 3.1 has it. */
export type Schema = Record<string, unknown>;

type Rule = { name?: string; type: string; propertyName: string; constraints?: unknown[]; each?: boolean };

/**
 * What each rule of class-validator says in JSON Schema.
 * @param one the schema of the value, or of each value of a list
 * @param whole the schema of the field
 */
const SAYS: Record<string, (one: Schema, whole: Schema, constraints: readonly unknown[]) => void> = {
  isUuid: (one) => void Object.assign(one, { type: "string", format: "uuid" }),
  isRFC3339: (one) => void Object.assign(one, { type: "string", format: "date-time" }),
  isIso8601: (one) => void Object.assign(one, { type: "string", format: "date" }),
  isString: (one) => void (one.type ??= "string"),
  isBoolean: (one) => void (one.type = "boolean"),
  isInt: (one) => void (one.type = "integer"),
  isNumber: (one) => void (one.type = "number"),
  isDescribed: (one, _, [schema]) => void Object.assign(one, schema),
  isBase: (one) =>
    void Object.assign(one, {
      type: "object",
      description:
        "What the texts of this save began from, by the names of their fields. What others wrote meanwhile is merged with it; without it, it is overwritten.",
      additionalProperties: {
        oneOf: [{ type: "string" }, { type: "array", items: { type: "string" }, maxItems: 5 }],
      },
    }),
  isBase64: (one) => void Object.assign(one, { type: "string", contentEncoding: "base64" }),
  isIn: (one, _, [values]) => void Object.assign(one, { type: "string", enum: values }),
  isNotEmpty: (one) => void (one.minLength = 1),
  minLength: (one, _, [least]) => void (one.minLength = least),
  maxLength: (one, _, [most]) => void (one.maxLength = most),
  min: (one, _, [least]) => void (one.minimum = least),
  max: (one, _, [most]) => void (one.maximum = most),
  matches: (one, _, [pattern]) => void (one.pattern = (pattern as RegExp).source),
  arrayMaxSize: (_, whole, [most]) => void (whole.maxItems = most),
  arrayMinSize: (_, whole, [least]) => void (whole.minItems = least),
};

/**
 * The JSON Schema of an input, from its validators. Written here because the packages that do it go by class names,
 * which a production build shortens.
 * @throws when a validator is used that this does not know: the description would be silent about it
 */
export function inputSchema(input: InputClass<object>): Schema {
  const rules = getMetadataStorage().getTargetValidationMetadatas(input, "", false, false) as Rule[];
  const properties: Record<string, Schema> = {};
  const optional = new Set<string>();
  const lists = new Set(rules.filter((rule) => rule.name === "isArray").map((rule) => rule.propertyName));
  for (const { name = "", type, propertyName: key, constraints = [] } of rules) {
    const list = lists.has(key);
    const whole = (properties[key] ??= list ? { type: "array", items: {} } : {});
    const one = (list ? whole.items : whole) as Schema;
    if (type === "conditionalValidation") optional.add(key);
    else if (name !== "isArray") {
      if (!SAYS[name]) throw new Error(`What the rule ${name} of ${key} means is not described.`);
      SAYS[name](one, whole, constraints);
    }
  }
  return {
    type: "object",
    properties,
    required: Object.keys(properties).filter((key) => !optional.has(key)),
    additionalProperties: false,
  };
}
