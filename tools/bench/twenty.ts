import type { Actor } from "@/mechanism/actor";
import { newId } from "@/outside/random";
import { as, fillCollection, somebody } from "./fill";
import type { Figure } from "./figures";

const PEOPLE = 20;
const FOR = 60_000;
const ITEMS = 60;
/** Between two deeds of one person, in milliseconds: they read, think and go on. */
const PAUSE = { least: 400, most: 1_600 };

/** Twenty arrange and write in one collection for a minute, at two processes, by the open interface. */
export async function* measureTwenty(
  owner: Actor,
  team: string,
  resources: readonly string[],
  { base, second }: { base: string; second: string },
): AsyncGenerator<Figure> {
  const collection = await fillCollection(owner, team, "Twenty of us", resources.slice(0, ITEMS));
  const people = await Promise.all(
    Array.from({ length: PEOPLE }, async (_, i) => {
      const who = await somebody(`of-twenty-${newId()}@bench.example`);
      const { invitation } = await as(owner, "invitations.make", { team, role: "editor" });
      await as(who, "invitations.accept", { code: invitation.code });
      const { token } = await as(who, "tokens.make", { name: "bench" });
      return personAt(i % 2 ? second : base, token, collection);
    }),
  );
  const until = performance.now() + FOR;
  await Promise.all(people.map((one) => one.workUntil(until)));
  const took = people.flatMap((one) => one.took).sort((a, b) => a - b);
  const p95 = took[Math.floor(took.length * 0.95)]!;
  const failed = people.flatMap((one) => one.failed);
  const differ = people.reduce((sum, one) => sum + one.differ, 0);
  const ends = new Set(await Promise.all(people.map((one) => one.sees())));
  yield {
    what: `${PEOPLE} people arrange and write in one collection for ${FOR / 1_000} s: p95 of a deed; failures; how many ends they see`,
    measured: `${p95.toFixed(0)} ms; ${failed.length}${failed.length ? ` (${[...new Set(failed)].join(", ")})` : ""}; ${ends.size}; ${took.length} deeds, ${differ} of them asked again because both wrote the same words`,
    aim: "under 250 ms; 0; 1",
    met: p95 < 250 && failed.length === 0 && ends.size === 1,
  };
}

type Item = { id: string; section: string | null; context: string };

/** Somebody who does one thing after the other, and reads what there is in between. */
function personAt(base: string, token: string, collection: string) {
  const took: number[] = [];
  const failed: string[] = [];
  const one = { took, failed, differ: 0, workUntil, sees };
  const headers = { authorization: `Bearer ${token}`, "content-type": "application/json" };
  const ask = async (name: string, input: object) => {
    const answer = await fetch(`${base}/api/actions/${name}`, {
      method: "POST",
      headers,
      body: JSON.stringify(input),
    });
    return { status: answer.status, body: (await answer.json()) as Record<string, unknown> };
  };
  const items = async () => (await ask("collections.items", { collection })).body.items as Item[];
  async function sees(): Promise<string> {
    return JSON.stringify((await items()).map(({ id, section, context }) => [id, section, context]));
  }
  async function workUntil(end: number): Promise<void> {
    while (performance.now() < end) {
      const there = await items();
      const any = () => there[Math.floor(Math.random() * there.length)]!;
      const [item, other] = [any(), any()];
      const writes = Math.random() < 0.5;
      const deed = writes
        ? ask("placements.edit", {
            placement: item.id,
            context: `${item.context} peat`.slice(-400),
            base: { context: item.context },
          })
        : ask("placements.move", {
            placement: item.id,
            section: other.section,
            after: other.id === item.id ? null : other.id,
          });
      const from = performance.now();
      const { status, body } = await deed;
      took.push(performance.now() - from);
      if (body.code === "words-differ") one.differ++;
      else if (status !== 200) failed.push(String(body.code));
      await new Promise((done) => setTimeout(done, PAUSE.least + Math.random() * (PAUSE.most - PAUSE.least)));
    }
  }
  return one;
}
