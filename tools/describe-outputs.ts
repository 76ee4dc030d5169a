/**
 * `npm run describe`: writes what each action answers, as JSON Schema, into src/http/outputs.json, from the
 * types of the actions themselves. The description of the open interface shows it, and the integration tests hold
 * every answer against it. With `--check` it is only compared.
 */
import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import ts from "typescript";

type Schema = Record<string, unknown>;

const REGISTRY = path.resolve("src/services/registry.ts");
const OUTPUT = path.resolve("src/http/outputs.json");
/** Of these there is no JSON: they leave as bytes or as a stream, by routes of their own. */
const BYTES = new Set(["Buffer", "Uint8Array", "ReadableStream", "Readable"]);

const { config } = ts.readConfigFile("tsconfig.json", (file) => ts.sys.readFile(file));
const { options } = ts.parseJsonConfigFileContent(config, ts.sys, process.cwd());
const program = ts.createProgram([REGISTRY], { ...options, noEmit: true });
const checker = program.getTypeChecker();

/** Schemas of types that have a name, told once. */
const named = new Map<string, { type: ts.Type; schema: Schema }>();

const is = (type: ts.Type, flag: ts.TypeFlags) => (type.flags & flag) !== 0;
const byText = (a: Schema, b: Schema) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1);

function schemaOf(type: ts.Type, inside: readonly ts.Type[]): Schema {
  if (inside.includes(type)) return itself(type);
  if (inside.length > 20) return {};
  const deeper = [...inside, type];
  if (is(type, ts.TypeFlags.Any | ts.TypeFlags.Unknown)) return {};
  if (type.isUnion()) return unionOf(type.types, deeper);
  if (is(type, ts.TypeFlags.Null)) return { type: "null" };
  if (type.isStringLiteral() || type.isNumberLiteral()) return { const: type.value };
  if (is(type, ts.TypeFlags.BooleanLiteral)) return { const: checker.typeToString(type) === "true" };
  if (is(type, ts.TypeFlags.StringLike)) return { type: "string" };
  if (is(type, ts.TypeFlags.NumberLike)) return { type: "number" };
  if (is(type, ts.TypeFlags.BooleanLike)) return { type: "boolean" };
  const name = type.symbol?.name;
  if (name === "Date") return { type: "string", format: "date-time" };
  if (BYTES.has(name ?? "")) return {};
  if (checker.isTupleType(type)) {
    const prefixItems = checker
      .getTypeArguments(type as ts.TypeReference)
      .map((one) => schemaOf(one, deeper));
    return { type: "array", prefixItems };
  }
  if (checker.isArrayType(type)) {
    const [one] = checker.getTypeArguments(type as ts.TypeReference);
    return { type: "array", items: schemaOf(one!, deeper) };
  }
  return objectOf(type, deeper);
}

/** A type that holds others of its own kind is told once, by its name. */
function itself(type: ts.Type): Schema {
  const alias = type.aliasTypeArguments?.length ? undefined : type.aliasSymbol?.name;
  return alias ? { $ref: `#/$defs/${alias}` } : {};
}

function unionOf(types: readonly ts.Type[], inside: readonly ts.Type[]): Schema {
  const all = types.filter((one) => !is(one, ts.TypeFlags.Undefined | ts.TypeFlags.Void));
  const words = all.flatMap((one) => (one.isStringLiteral() ? one.value : []));
  const rest = all.filter((one) => !one.isStringLiteral() && !is(one, ts.TypeFlags.BooleanLiteral));
  const booleans = all.filter((one) => is(one, ts.TypeFlags.BooleanLiteral));
  const schemas = [
    ...(words.length ? [{ type: "string", enum: words.toSorted() }] : []),
    ...(booleans.length === 2 ? [{ type: "boolean" }] : booleans.map((one) => schemaOf(one, inside))),
    ...rest.map((one) => schemaOf(one, inside)),
  ];
  const once = [...new Map(schemas.map((one) => [JSON.stringify(one), one])).values()].sort(byText);
  return once.length === 1 ? once[0]! : { anyOf: once };
}

function objectOf(type: ts.Type, inside: readonly ts.Type[]): Schema {
  const alias = type.aliasTypeArguments?.length ? undefined : type.aliasSymbol?.name;
  const known = alias ? named.get(alias) : undefined;
  if (known?.type === type) return { $ref: `#/$defs/${alias}` };
  const properties: Record<string, Schema> = {};
  const required: string[] = [];
  for (const property of checker.getPropertiesOfType(type)) {
    const own = checker.getTypeOfSymbol(property);
    properties[property.name] = schemaOf(own, inside);
    const mayMiss =
      property.flags & ts.SymbolFlags.Optional ||
      is(own, ts.TypeFlags.Undefined) ||
      (own.isUnion() && own.types.some((one) => is(one, ts.TypeFlags.Undefined)));
    if (!mayMiss) required.push(property.name);
  }
  const index = checker.getIndexInfoOfType(type, ts.IndexKind.String);
  const additionalProperties = index ? schemaOf(index.type, inside) : false;
  const schema = { type: "object", properties, required, additionalProperties };
  if (!alias || known) return schema;
  named.set(alias, { type, schema });
  return { $ref: `#/$defs/${alias}` };
}

const source = program.getSourceFile(REGISTRY)!;
const outputs = checker
  .getExportsOfModule(checker.getSymbolAtLocation(source)!)
  .find((one) => one.name === "Outputs")!;
const actions = Object.fromEntries(
  checker
    .getPropertiesOfType(checker.getDeclaredTypeOfSymbol(outputs))
    .map((one) => [one.name, schemaOf(checker.getTypeOfSymbol(one), [])] as const)
    .sort(([a], [b]) => (a < b ? -1 : 1)),
);
const $defs = Object.fromEntries([...named].map(([name, { schema }]) => [name, schema] as const).sort());
const described = `${JSON.stringify({ actions, $defs }, null, 1)}\n`;
if (!process.argv.includes("--check")) writeFileSync(OUTPUT, described);
else if (described !== readFileSync(OUTPUT, "utf8")) {
  process.stderr.write("What the actions answer is described otherwise: npm run describe\n");
  process.exit(1);
}
process.stdout.write(`${Object.keys(actions).length} actions, ${named.size} named types\n`);
