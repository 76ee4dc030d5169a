import { expect, test } from "vitest";
import { enterHost } from "./per-host";

/** Enters, and says in `inside` when it is in. */
function visitor(host: string, inside: string[], name: string) {
  const entered = enterHost(host).then((leave) => (inside.push(name), leave));
  return { leave: async () => (await entered)() };
}
const turn = () => new Promise((resolve) => setImmediate(resolve));

test("two at a time go to one host, in the order they came; another host has its own two", async () => {
  const inside: string[] = [];
  const [a, b, c, d] = ["a", "b", "c", "d"].map((name) => visitor("bog.example", inside, name));
  const other = visitor("fen.example", inside, "other");
  await turn();
  expect(inside).toEqual(["a", "b", "other"]);
  await b!.leave();
  await turn();
  expect(inside.at(-1)).toBe("c");
  await a!.leave();
  await turn();
  expect(inside.at(-1)).toBe("d");
  for (const one of [c!, d!, other]) await one.leave();
});

test("when all have left, the next two are in at once", async () => {
  const inside: string[] = [];
  const first = [1, 2, 3, 4].map((n) => visitor("mire.example", inside, `first ${n}`));
  for (const one of first) await one.leave();
  const next = [1, 2, 3].map((n) => visitor("mire.example", inside, `next ${n}`));
  await turn();
  expect(inside.slice(4)).toEqual(["next 1", "next 2"]);
  for (const one of next) await one.leave();
});
