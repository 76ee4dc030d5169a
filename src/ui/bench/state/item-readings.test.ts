import fc from "fast-check";
import { expect, test } from "vitest";
import { itemReadings, type Kept } from "./item-readings";

type One = { id: string; value: number; resource: { id: string } };
const IDS = ["a", "b", "c", "d"];
const one = (id: string, value: number): One => ({ id, value, resource: { id: `page of ${id}` } });

const step = fc.record({
  what: fc.constantFrom("edit", "add", "take out", "others edit", "others fill", "others import"),
  id: fc.constantFrom(...IDS),
});

/** A server of one list, to and from which everything takes as long as `wait` makes it take. */
function world(wait: () => Promise<unknown>) {
  const server = new Map(IDS.slice(0, 3).map((id) => [id, one(id, 0)]));
  let kept: Kept<One, string> = { items: [one("a", 0)], next: "a" };
  const sending = new Set<Promise<unknown>>();
  const reading = async <T>(answer: () => T): Promise<T> => {
    await wait();
    const said = answer();
    await wait();
    return said;
  };
  const readings = itemReadings<One, string>({
    shown: () => kept,
    show: (now) => {
      const goesOn = now.next !== kept.next;
      kept = now;
      if (goesOn) void readings.more();
    },
    // Two a page, in the order of their ids.
    page: (after) =>
      reading(() => {
        const rest = [...server.values()].filter(({ id }) => id > (after ?? ""));
        const items = rest.sort((a, b) => (a.id < b.id ? -1 : 1)).slice(0, 2);
        return { items, next: rest.length > 2 ? items[1]!.id : null };
      }),
    some: (ids, resources) =>
      reading(() =>
        [...server.values()].filter((item) => ids.includes(item.id) || resources.includes(item.resource.id)),
      ),
    isUnderWay: () => sending.size > 0,
    settled: async () => {
      while (sending.size) await Promise.allSettled(sending);
    },
  });
  let told: Promise<unknown> = Promise.resolve();
  /** Events arrive in their order, some time after what they tell of. */
  const tell = (hear: () => Promise<void>) => (told = told.then(wait).then(() => void hear()));
  const send = (write: () => One | undefined, id: string): Promise<One | undefined> => {
    const answer = reading(() => {
      const written = write();
      tell(() => readings.renew([id], []));
      return written;
    });
    sending.add(answer);
    void answer.then(() => sending.delete(answer));
    return answer;
  };
  return { server, readings, send, tell, shown: () => kept };
}

test("however late or early answers and events come, the list is in the end what the server has", async () => {
  await fc.assert(
    fc.asyncProperty(fc.scheduler(), fc.array(step, { maxLength: 12 }), async (scheduler, steps) => {
      const { server, readings, send, tell, shown } = world(() => scheduler.schedule(Promise.resolve()));
      const { change, renew, whole } = readings;
      const without = (id: string) => (items: One[]) => items.filter((item) => item.id !== id);
      void readings.more();
      let value = 0;
      for (const { what, id } of steps) {
        const next = ++value;
        const isHere = shown().items.some((item) => item.id === id);
        if (what === "edit" && isHere) {
          change((items) => items.map((item) => (item.id === id ? one(id, next) : item)));
          void send(() => (server.has(id) ? (server.set(id, one(id, next)), one(id, next)) : undefined), id);
        } else if (what === "take out") {
          change(without(id));
          void send(() => (server.delete(id), undefined), id);
        } else if (what === "add" && !isHere && !server.has(id)) {
          // Shown before the server knows it, as holding nothing that is there; then as the answer has it.
          change((items) => [...items, { ...one(id, next), resource: { id: "not known yet" } }]);
          void send(() => (server.set(id, one(id, next)), one(id, next)), id).then((item) =>
            change((items) => [...without(id)(items), item!]),
          );
        } else if (what.startsWith("others") && server.has(id)) {
          server.set(id, one(id, next));
          if (what === "others edit") tell(() => renew([id], []));
          else if (what === "others fill") tell(() => renew([], [`page of ${id}`]));
          else tell(whole);
        }
        if (scheduler.count()) await scheduler.waitOne();
      }
      await scheduler.waitIdle();
      const byId = (items: Iterable<One>) => new Map([...items].map((item) => [item.id, item]));
      expect(shown().items.length).toBe(server.size);
      expect(byId(shown().items)).toEqual(byId(server.values()));
      expect(shown().next).toBeNull();
    }),
    { numRuns: 1_000 },
  );
});

test("what was done here is not taken back, not even for a moment, by an answer put together before it arrived", async () => {
  const waits: (() => void)[] = [];
  const { readings, send, server, shown } = world(() => new Promise<void>((resolve) => waits.push(resolve)));
  const turn = () => new Promise((resolve) => setTimeout(resolve));
  const value = () => shown().items.find((item) => item.id === "a")?.value;
  const next = async () => {
    waits.shift()?.();
    await turn();
  };
  void readings.renew(["a"], []);
  await turn();
  // The question is at the server and answered there; then something is done here, and sent.
  await next();
  readings.change((items) => items.map((item) => (item.id === "a" ? one("a", 5) : item)));
  void send(() => (server.set("a", one("a", 5)), one("a", 5)), "a");
  const seen = [];
  for (let i = 0; waits.length && i < 20; i++) {
    await next();
    seen.push(value());
  }
  expect(new Set(seen)).toEqual(new Set([5]));
  expect(server.get("a")!.value).toBe(5);
});
