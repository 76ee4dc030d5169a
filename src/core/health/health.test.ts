import { expect, test } from "vitest";
import { signatureOf, writeSignature } from "../text/min-hash";
import { likenessOf } from "./likeness";
import { type LinkAnswer, linkState } from "./link-state";
import { isTold, nextLooked, planOf } from "./when";

const PAGE = "https://bog.example/peat/how-it-grows";
const NOT_KNOWN = { copy: null, nothing: null };
const came = (address = PAGE, rest: Partial<LinkAnswer & { ok: true }> = {}): LinkAnswer => ({
  ...{ ok: true, address, moved: null, same: false },
  ...rest,
});
const DAY = 86_400_000;

test("what an address answers says what has become of it", () => {
  const failed = (problem: (LinkAnswer & { ok: false })["problem"]) =>
    linkState(PAGE, { ok: false, problem }, NOT_KNOWN);
  expect(
    (["not-found", "needs-sign-in", "certificate", "timeout", "site-error", "refused-status"] as const).map(
      failed,
    ),
  ).toEqual([...["gone", "sign-in", "certificate", "silent", "silent", "unreachable"]]);
  // That we may not ask, or cannot read it, says nothing of the page.
  expect((["robots", "too-large", "guarded", "not-a-page"] as const).map(failed)).toEqual(
    Array(4).fill("ok"),
  );
  expect(linkState(PAGE, came(), NOT_KNOWN)).toBe("ok");
  const moved = "https://bog.example/new/how-it-grows";
  expect(linkState(PAGE, came(moved, { moved }), NOT_KNOWN)).toBe("moved");
  // For now only: where it stands is what it was.
  expect(linkState(PAGE, came(moved), NOT_KNOWN)).toBe("ok");
});

test("a page that leads to a front page is lost, a front page is not", () => {
  for (const front of [
    "https://bog.example/",
    "https://bog.example/index.html",
    "https://other.example/home",
  ]) {
    expect(linkState(PAGE, came(front, { moved: front }), NOT_KNOWN)).toBe("front");
    expect(linkState("https://bog.example/", came(front), NOT_KNOWN)).toBe("ok");
  }
  expect(linkState(PAGE, came("https://bog.example/?page=7"), NOT_KNOWN)).toBe("ok");
});

test("what resembles what the site shows for nothing is missing, unless its copy resembles it as much", () => {
  expect(linkState(PAGE, came(), { copy: 0.1, nothing: 0.95 })).toBe("missing");
  expect(linkState(PAGE, came(), { copy: null, nothing: 1 })).toBe("missing");
  expect(linkState(PAGE, came(), { copy: 0.97, nothing: 0.95 })).toBe("ok");
  expect(linkState(PAGE, came(), { copy: 0.1, nothing: 0.3 })).toBe("changed");
  expect(linkState(PAGE, came(), { copy: 0.4, nothing: null })).toBe("ok");
});

test("long pages are compared by their words, short ones by being the same, and never one with the other", () => {
  const long = (words: string) => ({ signature: writeSignature(signatureOf(words)!), few: "" });
  const text = Array.from({ length: 200 }, (_, i) => `word${i}`).join(" ");
  const other = Array.from({ length: 200 }, (_, i) => `moss${i}`).join(" ");
  const short = (few: string) => ({ signature: "", few });
  expect(likenessOf(long(text), long(text))).toBe(1);
  expect(likenessOf(long(text), long(other))).toBeLessThan(0.1);
  expect([
    likenessOf(short("not here"), short("not here")),
    likenessOf(short("not here"), short("here")),
  ]).toEqual([1, 0]);
  expect(likenessOf(short(""), long(text))).toBe(0);
});

test("what was found once is looked at again the next day, what does not answer ever more seldom, and never before it is asked for", () => {
  const at = new Date("2026-03-09T10:00:00Z");
  const days = (state: Parameters<typeof nextLooked>[0]["state"], times: number, wait = 0) =>
    (nextLooked({ at, state, times, wait, apart: 0 }).getTime() - at.getTime()) / DAY;
  expect([days("gone", 1), days("gone", 2)]).toEqual([20 / 24, 7]);
  expect([1, 2, 3, 9].map((times) => days("silent", times))).toEqual([1, 2, 4, 14]);
  const isSilentTold = (times: number) => isTold({ state: "silent", times, settled: null });
  expect([4, 5].map(isSilentTold)).toEqual([false, true]);
  expect(days("unreachable", 1, 3 * DAY)).toBe(3);
  expect(days("ok", 5, 365 * DAY)).toBe(14);
});

test("the plan of 100,000 links is bound by the site with the most", () => {
  expect(planOf({ links: 100_000, hosts: 5_000, mostOfOne: 400 }, 10)).toEqual({
    ...{ days: 14, aDay: 7_143, ofOneADay: 29 },
  });
  // One site of 200,000 addresses, one every ten seconds: 8,640 a day.
  expect(planOf({ links: 200_000, hosts: 1, mostOfOne: 200_000 }, 10).days).toBeCloseTo(23.15, 2);
});
