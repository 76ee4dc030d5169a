import { afterAll, afterEach, beforeEach, expect, test, vi } from "vitest";
import type { EventRow } from "@/data/queries/events";

const table = vi.hoisted(() => ({
  rows: [] as EventRow[],
  looks: [] as { since: Date; teams: readonly string[] }[],
  /** How far the database's clock is from this process's, in milliseconds. */
  ahead: 0,
  ended: new Set<string>(),
}));
vi.mock("@/mechanism/changing", () => ({ database: () => null }));
vi.mock("@/outside/log", () => ({ log: { warn: () => undefined } }));
vi.mock("@/data/queries/events", () => ({
  databaseNow: async () => new Date(Date.now() + table.ahead),
  eventsWritten: async (_: unknown, since: Date, teams: readonly string[], __: unknown, most: number) => {
    table.looks.push({ since, teams });
    return table.rows.filter((row) => row.written >= since && teams.includes(row.team)).slice(0, most);
  },
}));
vi.mock("@/data/queries/still-holding", () => ({
  stillHolding: async (_: unknown, credentials: { id: string }[]) => ({
    ids: new Set(credentials.map(({ id }) => id).filter((id) => !table.ended.has(id))),
    members: { has: (name: string) => !table.ended.has(name) },
  }),
}));
vi.resetModules();
delete (globalThis as { hobbinHub?: unknown }).hobbinHub;
const { hub, WORDS } = await import("./hub");
const { signal } = await import("@/outside/signals");
afterAll(() => void vi.resetModules());

beforeEach(() => {
  vi.useFakeTimers({ now: new Date("2026-05-01T12:00:00Z") });
  table.rows = [];
  table.looks = [];
  table.ahead = 0;
  table.ended.clear();
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
    written: new Date(Date.now() + table.ahead),
    verb: "placements.move",
    subject: id,
    onlyFor: null,
    ...more,
  } as EventRow);
function listening(team = "moss", person = "ama", only: ReadonlySet<string> | null = null) {
  const heard: string[] = [];
  const bytes: Uint8Array[] = [];
  const one = { heard, bytes, ended: false, stop: () => undefined as void };
  one.stop = hub().listen({
    team,
    person,
    by: { kind: "session", id: `session of ${person}` },
    only,
    write: (part, id) => {
      if (part === WORDS.reload) heard.push("reload");
      else if (id) {
        heard.push(id);
        bytes.push(part);
      }
    },
    end: () => void (one.ended = true),
  });
  return one;
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
  // Its transaction began nine seconds ago, and only now ends.
  happen("slow", { written: new Date(Date.now() - 9_000) });
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

test("a clock of the database that is another one, or is set back, loses nothing without a word", async () => {
  table.ahead = -3_600_000;
  const one = listening();
  happen("an hour apart");
  await pass(1_000);
  table.ahead -= 60_000;
  happen("after it was set back");
  await pass(1_000);
  expect(one.heard).toEqual(["an hour apart", "reload"]);
  happen("and on");
  await pass(1_000);
  expect(one.heard.at(-1)).toBe("and on");
  one.stop();
});

test("a burst that is too much, and what may have come too late, say that all is to be read anew", async () => {
  const one = listening();
  for (let i = 0; i < 5_000; i++) happen(`burst ${i}`);
  await pass(1_000);
  expect(one.heard).toEqual(["reload"]);
  happen("late one", { verb: "late" });
  await pass(10_000);
  happen("after it");
  await pass(12_000);
  expect(one.heard.filter((id) => !id.startsWith("burst"))).toContain("after it");
  expect(one.heard.filter((id) => id === "reload").length).toBeGreaterThan(1);
  one.stop();
});

test("all who listen get the same bytes", async () => {
  const all = Array.from({ length: 20 }, () => listening());
  happen("one for all");
  await pass(1_000);
  expect(new Set(all.flatMap(({ bytes }) => bytes)).size).toBe(1);
  for (const one of all) one.stop();
});

test("whose session, token or membership ends hears no more within two seconds, and everybody when the process ends", async () => {
  const [ama, ben, cy] = [listening("moss", "ama"), listening("moss", "ben"), listening("moss", "cy")];
  await pass(2_000);
  table.ended.add("session of ama").add("moss~ben");
  await pass(2_000);
  expect([ama.ended, ben.ended, cy.ended]).toEqual([true, true, false]);
  signal("stopping");
  expect(cy.ended).toBe(true);
  for (const one of [ama, ben, cy]) one.stop();
});
