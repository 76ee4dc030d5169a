import fc from "fast-check";
import { expect, test } from "vitest";
import { hear, ownChanges } from "./own-changes";

type One = { id: string; value: number };
const IDS = ["a", "b"];

/**
 * What may happen, in any order: something is done here and sent, one of the sent things or of the questions arrives
 * at the server, the answer to one comes back, somebody else changes something.
 */
const step = fc.oneof(
  fc.record({ what: fc.constantFrom("do", "take out", "other"), id: fc.constantFrom(...IDS) }),
  fc.record({ what: fc.constant("ask"), id: fc.constantFrom(...IDS, "all") }),
  fc.record({ what: fc.constantFrom("arrive", "answer"), id: fc.nat({ max: 1 }).map(String) }),
);

test("what was done here is never taken back by an answer that did not know of it, and in the end both agree", () => {
  fc.assert(
    fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
      let value = 0;
      const server = new Map(IDS.map((id) => [id, value]));
      let here: One[] = IDS.map((id) => ({ id, value: 0 }));
      const own = ownChanges<One>();
      const mine = new Map<string, number | null>();
      const sent: { id: string; value: number | null; arrived: boolean }[] = [];
      const asked: { ids: string[] | "all"; isLater: (id: string) => boolean; heard: One[] | null }[] = [];
      const shown = (id: string) => here.find((one) => one.id === id)?.value ?? null;
      const write = (id: string, value: number | null) =>
        value === null ? server.delete(id) : server.set(id, value);
      const change = (id: string, value: number | null) => {
        const after = here.filter((one) => one.id !== id);
        if (value !== null) after.push({ id, value });
        own.note(here, after);
        here = after;
        mine.set(id, value);
        sent.push({ id, value, arrived: false });
      };
      const ask = (ids: string[] | "all") =>
        asked.push({ ids, isLater: own.asking(sent.length > 0), heard: null });
      const arrive = (i: number) => {
        // What is done here arrives in its order; questions when they like.
        const next = sent.find((one) => !one.arrived);
        const question = asked.filter((one) => !one.heard)[i];
        if (question)
          question.heard = [...server]
            .map(([id, value]) => ({ id, value }))
            .filter(({ id }) => question.ids === "all" || question.ids.includes(id));
        else if (next) {
          write(next.id, next.value);
          next.arrived = true;
        }
      };
      const answer = (i: number) => {
        const question = asked.filter((one) => one.heard)[i];
        if (question) {
          here = hear(here, question.heard!, question.ids, question.isLater);
          asked.splice(asked.indexOf(question), 1);
        } else if (sent[0]?.arrived) sent.shift();
      };
      for (const { what, id } of steps) {
        if (what === "do") change(id, ++value);
        else if (what === "take out") change(id, null);
        else if (what === "other") write(id, ++value);
        else if (what === "ask") ask(id === "all" ? "all" : [id]);
        else if (what === "arrive") arrive(Number(id));
        else answer(Number(id));
        // What is under way is seen as it was done.
        for (const { id } of sent) expect(shown(id)).toBe(mine.get(id));
      }
      // All arrives; then the list is read once more, as it is after what was held back.
      while (asked.length || sent.length) {
        arrive(0);
        answer(0);
      }
      ask("all");
      arrive(0);
      answer(0);
      expect(new Map(here.map((one) => [one.id, one.value]))).toEqual(server);
    }),
    { numRuns: 2_000 },
  );
});
