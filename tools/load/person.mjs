import { wait } from "../lib/processes.mjs";

/** So long what cannot be answered just now is asked again, in milliseconds: nobody waits longer for a press of a key. */
const PATIENCE = 10_000;
const AGAIN = 100;

/** What came out of all calls of a load. */
export class Journal {
  calls = 0;
  /** Calls that had to be made again. */
  again = 0;
  /** What a person saw: no answer within the patience, or a refusal nobody should get. */
  errors = [];
  /** The longest from a call to its answer, in milliseconds. */
  longest = 0;
  /** How long each took, by the name of its action. */
  took = new Map();

  /** Those that took more than a second and a half, with when they ended. */
  slow = [];
  #from = performance.now();

  note(name, ms) {
    this.calls++;
    const at = Math.round(performance.now() - this.#from);
    if (ms > 1_500) this.slow.push(`${(at / 1000).toFixed(1)} s: ${name} ${Math.round(ms)} ms`);
    this.longest = Math.max(this.longest, ms);
    if (!this.took.has(name)) this.took.set(name, []);
    this.took.get(name).push(ms);
  }

  /** The time that so many of a hundred calls stay under. */
  percentile(name, part) {
    const sorted = [...(this.took.get(name) ?? [])].sort((a, b) => a - b);
    return sorted[Math.min(sorted.length - 1, Math.floor((sorted.length * part) / 100))] ?? 0;
  }
}

/** Somebody who calls actions over HTTP, with ids of their own, and repeats what is not answered. */
export class Person {
  /** @param {{ token: string, base: string, journal: Journal }} who */
  constructor({ token, base, journal }) {
    Object.assign(this, { token, base, journal });
  }

  /**
   * Calls an action until it is answered.
   * @returns its answer; null when none came, which the journal knows
   */
  async call(name, input) {
    const from = performance.now();
    let last = "no answer";
    for (let tries = 0; performance.now() - from < PATIENCE; tries++) {
      if (tries) {
        this.journal.again++;
        await wait(AGAIN);
      }
      const answer = await fetch(`${this.base}/api/actions/${name}`, {
        method: "POST",
        headers: { "content-type": "application/json", authorization: `Bearer ${this.token}` },
        body: JSON.stringify(input),
        signal: AbortSignal.timeout(PATIENCE),
      }).catch((error) => ({ status: 0, why: error.cause?.code ?? error.message }));
      if (answer.status >= 200 && answer.status < 300) {
        const said = await answer.json().catch(() => null);
        if (said) {
          this.journal.note(name, performance.now() - from);
          return said;
        }
        last = "an answer that broke off";
        continue;
      }
      const words = answer.status ? await answer.text().catch(() => "") : answer.why;
      last = `${name}: ${answer.status} ${String(words).slice(0, 300)}`;
      // What is away or busy is asked again, as the interface does; any other refusal stands.
      if (answer.status && ![502, 503, 504].includes(answer.status)) break;
    }
    this.journal.note(name, performance.now() - from);
    this.journal.errors.push(last);
    return null;
  }
}
