import type { Answer, ChangeName, InputOf } from "@/services/registry";
import { call, Refusal } from "./call";
import { sayUnsaved, theirsIn, whyOf } from "./say-failure";
import { toast } from "./toast";

/**
 * Something written or pasted, on its way. It is in this browser's storage until the server has answered, so that it
 * outlives a server that is away, and the page.
 */
type Parcel = {
  name: ChangeName;
  input: object;
  /** What was written, for whoever must be told that it could not be saved. */
  words: string;
  /** Whose it is: on a shared device nobody sends, or sees, what somebody else wrote. */
  person: string;
};
type Waiter = { resolve: (answer: unknown) => void; reject: (error: unknown) => void };
/** What goes one after the other, because what comes later stands for what came before it. */
type Line = {
  parcel: Parcel;
  waiters: Waiter[];
  sending: Parcel | null;
  away: boolean;
  going?: Promise<void>;
};

const lines = new Map<string, Line>();
let person = "";

/** How long is waited before the next try, in milliseconds; the last again and again. */
const PAUSES = [1_000, 2_000, 4_000, 8_000, 15_000];
const STORED = "hobbin-on-its-way:";

/**
 * Sends what must not be lost: while the server, or its database, cannot be reached it waits here, says so, and goes
 * when they are back.
 * @param key of what it is about: of the same, what comes later stands for what came before. So it must hold that too
 * @param words what was written or pasted, as it is shown to the person
 * @returns the answer, however long it takes
 * @throws {Refusal} when it was refused for good
 * @example
 * await deliver("placements.edit", { placement, context, base }, `placement:${placement}:context`, context);
 */
export function deliver<N extends ChangeName>(
  name: N,
  input: InputOf<N>,
  key: string,
  words: string,
): Promise<Answer<N>> {
  return new Promise<unknown>((resolve, reject) =>
    take(key, { name, input, words, person }, { resolve, reject }),
  ) as Promise<Answer<N>>;
}

function take(key: string, parcel: Parcel, waiter: Waiter): void {
  put(key, parcel);
  const line = lines.get(key);
  if (line) {
    line.parcel = parcel;
    line.waiters.push(waiter);
    return;
  }
  const made: Line = { parcel, waiters: [waiter], sending: null, away: false };
  lines.set(key, made);
  made.going = go(key, made);
}

async function go(key: string, line: Line): Promise<void> {
  for (let tries = 0; ;) {
    const parcel = (line.sending = line.parcel);
    const waiters = line.waiters.splice(0);
    const done = (tell: (waiter: Waiter) => void) => {
      if (line.parcel === parcel) lines.delete(key);
      if (line.parcel === parcel) drop(key);
      waiters.forEach(tell);
    };
    try {
      const answer = await call(parcel.name, parcel.input as never);
      done((waiter) => waiter.resolve(answer));
      sayWaiting(line, false);
      tries = 0;
    } catch (error) {
      if (isAway(error)) {
        line.waiters.unshift(...waiters);
        sayWaiting(line, true);
        await pause(PAUSES[Math.min(tries++, PAUSES.length - 1)]!);
      } else {
        sayWaiting(line, false);
        done((waiter) => waiter.reject(error));
      }
    }
    if (lines.get(key) !== line) return;
  }
}

/** Whether it may go another time: the server was not reached, or says itself that nothing or not surely anything was done. */
const isAway = (error: unknown) =>
  error instanceof Refusal && (error.status === 0 || (error.status > 501 && error.status < 505));

/** Until a while has passed, or there is a connection again. */
const pause = (ms: number) =>
  new Promise<void>((resolve) => {
    const on = () => {
      clearTimeout(timer);
      globalThis.removeEventListener?.("online", on);
      resolve();
    };
    const timer = setTimeout(on, ms);
    globalThis.addEventListener?.("online", on);
  });

const WAITING = "waiting-to-be-sent";

function sayWaiting(line: Line, away: boolean): void {
  if (line.away === away) return;
  line.away = away;
  const waiting = [...lines.values()].filter((one) => one.away).length;
  if (waiting)
    toast.error("Hobbin cannot be reached just now.", {
      id: WAITING,
      description: `${waiting === 1 ? "What you did last waits" : `${waiting} things you did wait`} in this browser and ${waiting === 1 ? "is" : "are"} sent as soon as it is back. You can go on.`,
      duration: Infinity,
    });
  else toast("Hobbin is back. Everything has been sent.", { id: WAITING, description: "", duration: 4_000 });
}

/**
 * Waits until all that was written about something has been answered, so that what closes it does not come before it.
 * @param about what the keys of these begin with
 */
export async function delivered(about: string): Promise<void> {
  const open = () => [...lines].flatMap(([key, { going }]) => (key.startsWith(about) ? [going] : []));
  while (open().length) {
    await Promise.all(open());
    // What waited in its field for these is on its way a moment later.
    await new Promise((resolve) => setTimeout(resolve));
  }
}

/**
 * Sends what this person's earlier visits left behind, and keeps what comes now for them.
 * @param id of the person who is signed in
 */
export function deliverFor(id: string): void {
  person = id;
  for (const [key, parcel] of stored())
    if (parcel.person === id && !lines.has(key))
      take(key, parcel, { resolve: () => undefined, reject: (error) => sayLeft(parcel, error) });
}

/** What is refused after a page has gone has no field any more to stand in. */
function sayLeft({ name, input, words }: Parcel, error: unknown): void {
  // Whoever has been told what stands there may say that theirs shall.
  const seen = theirsIn(error) === null ? input : { ...input, base: (error as Refusal).now };
  sayUnsaved(words, whyOf(error), () => call(name, seen as never));
}

// Whoever leaves while something older is still on its way leaves nothing behind that could go.
if (typeof window !== "undefined")
  window.addEventListener("pagehide", () => {
    for (const { parcel, sending, away } of lines.values())
      if (parcel !== sending && !away) void call(parcel.name, parcel.input as never).catch(() => undefined);
  });

function put(key: string, parcel: Parcel): void {
  try {
    localStorage.setItem(STORED + key, JSON.stringify(parcel));
  } catch {
    // A full or forbidden storage keeps nobody from saving.
  }
}
function drop(key: string): void {
  try {
    localStorage.removeItem(STORED + key);
  } catch {
    // It was not kept there.
  }
}
function stored(): [string, Parcel][] {
  try {
    return Object.keys(localStorage)
      .filter((name) => name.startsWith(STORED))
      .map((name) => [name.slice(STORED.length), JSON.parse(localStorage.getItem(name)!) as Parcel]);
  } catch {
    return [];
  }
}
