import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { forgetSettings } from "@/outside/settings";
import { inTurn } from "./turn";

const before = { pause: process.env.HOBBIN_LINK_PAUSE, secret: process.env.HOBBIN_SECRET };
beforeEach(() => {
  vi.useFakeTimers();
  process.env.HOBBIN_LINK_PAUSE = "10";
  process.env.HOBBIN_SECRET = "a secret that is long enough for this";
  forgetSettings();
});
afterEach(() => {
  vi.useRealTimers();
  for (const [name, value] of [
    ["HOBBIN_LINK_PAUSE", before.pause],
    ["HOBBIN_SECRET", before.secret],
  ] as const)
    if (value === undefined) delete process.env[name];
    else process.env[name] = value;
  forgetSettings();
});

test("a site is asked one after the other, each so long after the answer to the last; others meanwhile; and nobody after the end", async () => {
  const from = Date.now();
  const asked: string[] = [];
  const ask = (host: string, takes: number, end = 60) =>
    inTurn(host, from + end * 1_000, async () => {
      asked.push(`${host} ${(Date.now() - from) / 1_000}`);
      await new Promise((resolve) => setTimeout(resolve, takes * 1_000));
      if (takes === 3) throw new Error("gone wrong");
      return host;
    }).catch(() => "failed");
  const all = Promise.all([ask("bog", 5), ask("bog", 3), ask("bog", 0), ask("heath", 1), ask("bog", 0, 20)]);
  await vi.runAllTimersAsync();
  // What goes wrong holds up nobody, and the next is asked as long after it.
  expect(asked).toEqual(["bog 0", "heath 0", "bog 15", "bog 28"]);
  expect(await all).toEqual(["bog", "failed", "bog", "heath", null]);
});
