import { getMetadataStorage } from "class-validator";
import type { Action } from "../action";
import { ACTIONS } from "../registry";
import { json } from "./answer";

type Schema = Record<string, unknown>;

/**
 * The description of every action (OpenAPI 3.1), made from the definitions themselves. Written here because the
 * packages that do it go by class names, which a production build shortens.
 */
export function openApi(address: string): Schema {
  const paths = Object.fromEntries(
    Object.values(ACTIONS)
      .map((action) => action as unknown as Action)
      .map((action) => [`/api/actions/${action.name}`, path(action)]),
  );
  return {
    openapi: "3.1.0",
    info: {
      title: "Hobbin",
      version: "0.1.0",
      description: "Everything the interface does can be done here. Sign in with a personal access token.",
    },
    servers: [{ url: address }],
    security: [{ token: [] }],
    paths,
    components: {
      securitySchemes: { token: { type: "http", scheme: "bearer" } },
      schemas: {
        Problem: {
          type: "object",
          description: "Problem details, RFC 9457",
          properties: {
            type: { type: "string" },
            title: { type: "string" },
            status: { type: "integer" },
            detail: { type: "string" },
            errors: {
              type: "array",
              items: {
                type: "object",
                properties: { detail: { type: "string" }, pointer: { type: "string" } },
              },
            },
          },
        },
      },
    },
  };
}

function path(action: Action): Schema {
  const schema = inputSchema(action);
  const responses = {
    200: { description: "Done", content: { "application/json": { schema: { type: "object" } } } },
    default: {
      description: "Not done",
      content: { "application/problem+json": { schema: { $ref: "#/components/schemas/Problem" } } },
    },
  };
  const common = {
    operationId: action.name,
    summary: action.about,
    tags: [action.name.split(".")[0]],
    responses,
  };
  const post = { ...common, requestBody: { required: true, content: { "application/json": { schema } } } };
  if (action.kind === "change") return { post };
  const required = (schema.required ?? []) as string[];
  const parameters = Object.entries(schema.properties as Record<string, Schema>).map(([name, one]) => ({
    name,
    in: "query",
    required: required.includes(name),
    schema: one,
    ...(one.type === "array" && { style: "form", explode: false }),
  }));
  return { get: { ...common, parameters }, post: { ...post, operationId: `${action.name}.post` } };
}

/** JSON Schema of an input class, from its validators. */
function inputSchema({ input }: Action): Schema {
  const rules = getMetadataStorage().getTargetValidationMetadatas(input, "", false, false);
  const properties: Record<string, Schema> = {};
  const optional = new Set<string>();
  const lists = new Set(rules.filter((rule) => rule.name === "isArray").map((rule) => rule.propertyName));
  for (const rule of rules) {
    const key = rule.propertyName;
    const list = lists.has(key);
    const whole = (properties[key] ??= list ? { type: "array", items: {} } : {});
    const one = (list ? whole.items : whole) as Schema;
    const [first] = rule.constraints ?? [];
    if (rule.type === "conditionalValidation") optional.add(key);
    else if (rule.name === "isUuid") Object.assign(one, { type: "string", format: "uuid" });
    else if (rule.name === "isString") one.type ??= "string";
    else if (rule.name === "isBoolean") one.type = "boolean";
    else if (rule.name === "isIn") Object.assign(one, { type: "string", enum: first });
    else if (rule.name === "maxLength") one.maxLength = first;
    else if (rule.name === "isNotEmpty") one.minLength = 1;
    else if (rule.name === "arrayMaxSize") whole.maxItems = first;
  }
  return {
    type: "object",
    properties,
    required: Object.keys(properties).filter((key) => !optional.has(key)),
    additionalProperties: false,
  };
}

/** GET /api/openapi.json */
export const getOpenApi = (request: Request): Response => json(openApi(new URL(request.url).origin));
