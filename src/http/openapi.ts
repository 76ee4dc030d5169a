import type { Action } from "@/mechanism/action";
import { PROBLEMS } from "@/mechanism/problems";
import { ACTIONS } from "@/services/registry";
import { json } from "./answer";
import { inputSchema, type Schema } from "./input-schema";
import { outputSchema, sharedSchemas } from "./output-schema";

/**
 * The description of every action (OpenAPI 3.1), made from the definitions themselves. Written here because the
 * packages that do it go by class names, which a production build shortens.
 * @param address the address people open Hobbin at
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
        ...sharedSchemas(),
        Problem: {
          type: "object",
          description:
            "Problem details, RFC 9457. `code` says what is wrong, `instance` which request it was.",
          required: ["type", "code", "title", "status", "detail", "instance"],
          properties: {
            type: { type: "string" },
            code: { type: "string", enum: [...Object.keys(PROBLEMS), "failed"] },
            title: { type: "string" },
            status: { type: "integer" },
            detail: { type: "string" },
            instance: { type: "string", format: "uri" },
            errors: {
              type: "array",
              items: {
                type: "object",
                required: ["detail", "pointer"],
                properties: {
                  detail: { type: "string" },
                  pointer: { type: "string" },
                  now: { type: "string", description: "What stands there, where others wrote meanwhile." },
                },
              },
            },
          },
        },
      },
    },
  };
}

function path(action: Action): Schema {
  const schema = inputSchema(action.input);
  const responses = {
    200: { description: "Done", content: { "application/json": { schema: outputSchema(action.name) } } },
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

/** GET /api/openapi.json */
export const getOpenApi = (request: Request): Response => json(openApi(new URL(request.url).origin));
