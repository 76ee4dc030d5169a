import type { ActionName, Answer, ChangeName, InputOf, ReadingName } from "@/services/registry";

/** A refusal of the server, with what is wrong by field. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly detail: string,
    readonly fields: Record<string, string>,
    /** Where somebody else wrote the same words: what stands there, by field. */
    readonly now: Record<string, string> = {},
  ) {
    super(detail);
  }
}

type Input<N extends ActionName> = { [K in keyof InputOf<N>]: InputOf<N>[K] };

/**
 * Changes something on the server. Until it is answered, it is under way.
 * @param name of the action
 * @param input as the action takes it
 * @throws {Refusal} with words for the person; `status` 0 when the server could not be reached
 * @example
 * const { section } = await call("sections.make", { collection, title: "Week 1", section: newId() });
 */
export async function call<N extends ChangeName>(name: N, input: Input<N>): Promise<Answer<N>> {
  return send(addressOf(name), input) as Promise<Answer<N>>;
}

/**
 * Looks something up on the server. Nothing waits for it: a page that reads much would never be settled.
 * @param name of the reading
 * @param input as the reading takes it
 * @throws {Refusal} as `call` does
 * @example
 * const { teams } = await ask("teams.read", {});
 */
export async function ask<N extends ReadingName>(name: N, input: Input<N>): Promise<Answer<N>> {
  return exchange(addressOf(name), input) as Promise<Answer<N>>;
}

const addressOf = (name: ActionName) => `/api/actions/${name}`;

/** What waits until the one before it has been answered. */
const waiting: (() => Promise<unknown>)[] = [];
let going = false;

/**
 * The same, one after the other: moves that follow each other quickly must arrive in their order, because each says
 * where a thing goes by what stood there after the one before.
 */
export function callInTurn<N extends ChangeName>(name: N, input: Input<N>): Promise<Answer<N>> {
  return new Promise((resolve, reject) => {
    waiting.push(() => call(name, input).then(resolve, reject));
    void goOn();
  });
}

async function goOn(): Promise<void> {
  if (going) return;
  going = true;
  for (let next = waiting.shift(); next; next = waiting.shift()) await next();
  going = false;
}
// Whoever leaves the page leaves nothing undone: what waits is sent at once.
if (typeof window !== "undefined")
  window.addEventListener("pagehide", () => {
    for (const next of waiting.splice(0)) void next();
  });

/** What is on its way to the server. */
const sending = new Set<Promise<unknown>>();
/** Whether anything done here may not have arrived yet. */
export const isUnderWay = () => waiting.length > 0 || sending.size > 0;
/** Resolves when everything that was on its way has been answered: undo must not overtake what it takes back. */
export async function settled(): Promise<void> {
  while (isUnderWay()) {
    await Promise.allSettled([...sending]);
    // What waited for these is on its way a moment later.
    await Promise.resolve();
  }
}

/** Sends JSON and reads JSON; problem details become a `Refusal`. */
export function send(path: string, body: unknown): Promise<unknown> {
  const answer = exchange(path, body);
  sending.add(answer);
  const done = () => sending.delete(answer);
  answer.then(done, done);
  return answer;
}

async function exchange(path: string, body: unknown): Promise<unknown> {
  const answer = await post(path, body);
  if (!answer.ok) throw await refusalOf(answer);
  return answer.json().catch(() => null);
}

/**
 * A file the server makes of what is sent.
 * @throws {Refusal} as `call` does
 */
export async function askFile(path: string, body: unknown): Promise<{ name: string; content: Blob }> {
  const answer = await post(path, body);
  if (!answer.ok) throw await refusalOf(answer);
  const [, name = ""] =
    /filename\*=UTF-8''([^;]*)/.exec(answer.headers.get("content-disposition") ?? "") ?? [];
  return { name: decodeURIComponent(name) || "file", content: await answer.blob() };
}

function post(path: string, body: unknown): Promise<Response> {
  const text = JSON.stringify(body);
  return fetch(path, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: text,
    // What was done just before going to another page is still done; browsers carry 64 kB that far.
    keepalive: text.length < 50_000,
  }).catch(() => {
    throw new Refusal(0, "Hobbin cannot be reached just now. Nothing is lost; try again in a moment.", {});
  });
}

/** Why the server refused, in its words. */
async function refusalOf(answer: Response): Promise<Refusal> {
  const said = (await answer.json().catch(() => null)) as Record<string, unknown> | null;
  const errors = (said?.errors ?? []) as { detail: string; pointer: string; now?: string }[];
  const byField = (say: (error: (typeof errors)[number]) => string | undefined) =>
    Object.fromEntries(
      errors.flatMap((error) => {
        const words = say(error);
        return words === undefined ? [] : [[error.pointer.replace(/^#\//, ""), words]];
      }),
    );
  return new Refusal(
    answer.status,
    String(said?.detail ?? said?.message ?? "Something went wrong."),
    byField((error) => error.detail),
    byField((error) => error.now),
  );
}
