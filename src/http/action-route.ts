import { getMetadataStorage } from "class-validator";
import type { InputClass } from "@/mechanism/input";
import { Problem } from "@/mechanism/problem";
import { actorOf } from "@/services/accounts/actor-of-request";
import { findAction } from "@/services/registry";
import { answering, forExtension, json, mustBeOwnSite, preflight, readJson } from "./answer";

type Context = { params: Promise<{ name: string }> };

/** POST /api/actions/<name> with the input as JSON: for changes, and for readings whose input is long. */
export const postAction = async (request: Request, { params }: Context): Promise<Response> =>
  forExtension(
    request,
    await answering(async () => {
      const action = found((await params).name);
      mustBeOwnSite(request);
      return json(await action.call(await actorOf(request.headers), await readJson(request)));
    }),
  );

/** GET /api/actions/<name>?field=value: for readings. A list is given by commas. */
export const getAction = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const action = found((await params).name);
    if (action.kind !== "read") throw new Problem("not-a-reading");
    return json(
      await action.call(
        await actorOf(request.headers),
        fromQuery(action.input, new URL(request.url).searchParams),
      ),
    );
  });

function found(name: string) {
  const action = findAction(name);
  if (!action) throw new Problem("no-such-action");
  return action;
}

/**
 * Query text as input: fields that hold lists are split at commas, numbers and yes or no are read. A list that is not
 * named is empty where there must be one.
 */
function fromQuery(Input: InputClass<object>, query: URLSearchParams): Record<string, unknown> {
  const rules = getMetadataStorage().getTargetValidationMetadatas(Input, "", false, false);
  const having = (...names: string[]) =>
    new Set(rules.filter((rule) => names.includes(rule.name ?? "")).map((rule) => rule.propertyName));
  const [lists, numbers, switches] = [having("isArray"), having("isInt", "isNumber"), having("isBoolean")];
  const optional = new Set(
    rules.filter((rule) => rule.type === "conditionalValidation").map((rule) => rule.propertyName),
  );
  const read = (key: string, value: string): unknown => {
    if (lists.has(key)) return value.split(",").filter(Boolean);
    // What is none stays text, and is refused in the words of its field.
    if (numbers.has(key)) return /^-?\d+(\.\d+)?(e[+-]?\d+)?$/i.test(value) ? Number(value) : value;
    if (switches.has(key)) return value === "true" ? true : value === "false" ? false : value;
    return value;
  };
  const input: Record<string, unknown> = {};
  for (const list of lists) if (!optional.has(list)) input[list] = [];
  for (const [key, value] of query) input[key] = read(key, value);
  return input;
}

export { preflight };
