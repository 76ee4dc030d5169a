import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { sayAgo, saySince } from "./say-time";

beforeEach(() => void vi.useFakeTimers({ now: new Date("2026-05-01T12:00:00Z") }));
afterEach(() => void vi.useRealTimers());

const MINUTE = 60;
const DAY = 86_400;
const before = (seconds: number) => new Date(Date.now() - seconds * 1000).toISOString();

test.each([
  [0, "just now", null],
  [59, "just now", null],
  [MINUTE, "1 minute ago", "1 minute"],
  [59 * MINUTE + 59, "59 minutes ago", "59 minutes"],
  [60 * MINUTE, "1 hour ago", "1 hour"],
  [DAY - 1, "23 hours ago", "23 hours"],
  [DAY, "yesterday", "1 day"],
  [6 * DAY, "6 days ago", "6 days"],
  [7 * DAY, "last week", "1 week"],
  [21 * DAY, "3 weeks ago", "3 weeks"],
  [31 * DAY, "last month", "1 month"],
  [300 * DAY, "9 months ago", "9 months"],
  [366 * DAY, "last year", "1 year"],
  [1_000 * DAY, "2 years ago", "2 years"],
])("%d seconds are said as %s", (seconds, ago, since) => {
  expect(sayAgo(before(seconds))).toBe(ago);
  expect(saySince(before(seconds))).toBe(since);
});

test("a clock that is behind the server's says nothing odd", () => {
  expect(sayAgo(before(-30))).toBe("just now");
});
