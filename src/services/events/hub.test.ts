import { afterAll, afterEach, beforeEach, expect, test, vi } from "vitest";
import type { EventRow } from "@/data/queries/events";

const table = vi.hoisted(() => ({
  rows: [] as EventRow[],
  looks: [] as { since: Date; teams: readonly string[] }[],
}));
vi.mock("@/mechanism/changing", () => ({ database: () => null }));
vi.mock("@/outside/log", () => ({ log: { warn: () => undefined } }));
vi.mock("@/data/queries/events", () => ({
  eventsSince: async (_: unknown, since: Date, teams: readonly string[]) => {
    table.looks.push({ since, teams });
    return table.rows.filter((row) => row.at >= since && teams.includes(row.team));
  },
}));
vi.resetModules();
delete (globalThis as { hobbinHub?: unknown }).hobbinHub;
const { hub } = await import("./hub");
const { signal } = await import("@/outside/signals");
afterAll(() => void vi.resetModules());

beforeEach(() => {
  vi.useFakeTimers({ now: new Date("2026-05-01T12:00:00Z") });
  table.rows = [];
  table.looks = [];
});
afterEach(async () => {
  // The hub is the process's own: its last look finds nobody who listens, and is the last.
  await vi.advanceTimersByTimeAsync(2_000);
  vi.useRealTimers();
});

const happen = (id: string, more: Partial<EventRow> = {}) =>
  table.rows.push({
    id,
    team: "moss",
    at: new Date(),
    verb: "placements.move",
    subject: id,
    onlyFor: null,
    ...more,
  } as EventRow);
function listening(team = "moss", person = "ama") {
  const heard: string[] = [];
  return { heard, stop: hub().listen(team, person, (event) => heard.push(event.id)) };
}
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

test("everybody who listens to a team hears each of its events once", async () => {
  const [a, b, other] = [listening(), listening(), listening("fen")];
  happen("1");
  await pass(1_000);
  happen("2");
  happen("3", { team: "fen" });
  await pass(3_000);
  expect([a.heard, b.heard, other.heard]).toEqual([["1", "2"], ["1", "2"], ["3"]]);
  for (const one of [a, b, other]) one.stop();
});

test("what is for one alone is heard by nobody else", async () => {
  const [ama, ben] = [listening("moss", "ama"), listening("moss", "ben")];
  happen("for ben", { onlyFor: "ben" });
  happen("for all");
  await pass(2_000);
  expect([ama.heard, ben.heard]).toEqual([["for all"], ["for ben", "for all"]]);
  for (const one of [ama, ben]) one.stop();
});

test("however many listen and however much happens here, the table is looked at once a second", async () => {
  const all = Array.from({ length: 50 }, () => listening());
  for (let i = 0; i < 100; i++) {
    happen(`of many ${i}`);
    signal("events");
    await pass(50);
  }
  expect(table.looks.length).toBeLessThanOrEqual(5);
  expect(all[49]!.heard).toHaveLength(100);
  for (const one of all) one.stop();
});

test("what was stamped earlier but committed later is heard too", async () => {
  const one = listening();
  await pass(1_000);
  happen("quick");
  await pass(1_000);
  // Its transaction began four seconds ago, and only now ends.
  happen("slow", { at: new Date(Date.now() - 4_000) });
  await pass(1_000);
  expect(one.heard).toEqual(["quick", "slow"]);
  one.stop();
});

test("while nobody listens nothing is looked at", async () => {
  const one = listening();
  await pass(1_000);
  one.stop();
  await pass(2_000);
  const looks = table.looks.length;
  signal("events");
  await pass(10_000);
  expect(table.looks).toHaveLength(looks);
  const two = listening();
  happen("after a pause");
  await pass(1_000);
  expect(two.heard).toEqual(["after a pause"]);
  two.stop();
});
