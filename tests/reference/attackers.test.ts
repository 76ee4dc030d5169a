import { readFileSync } from "node:fs";
import { expect, test } from "vitest";

type Recorded = { version: string; said: Record<string, string[]>; asked: Record<string, number> };
const { version, said, asked } = JSON.parse(
  readFileSync("tests/outside/said/attackers.json", "utf8"),
) as Recorded;

/** What is no weakness, and why. */
const KNOWN = [
  // Browsers have no such filter any more; the standard for it says to leave it out or turn it off.
  /X-XSS-Protection is not set$/,
  // It was asked over http; over https it is sent, which tests/integration/process.test.ts looks at.
  /Strict-Transport-Security is not set$/,
];

/** As `npm run test:outside -- attackers` wrote it down; Debian's wapiti and sqlmap, bounded. */
test("wapiti and sqlmap, let loose as a stranger and signed in, find nothing", () => {
  expect(version).toMatch(/Wapiti 3.*sqlmap 1/);
  expect(Object.keys(said).filter((who) => who.startsWith("wapiti"))).toHaveLength(2);
  expect(Object.keys(said).filter((who) => who.startsWith("sqlmap")).length).toBeGreaterThanOrEqual(5);
  // They were at it.
  for (const who of Object.keys(said)) expect(asked[who], who).toBeGreaterThan(100);
  const found = Object.values(said).flat();
  expect(found.filter((one) => !KNOWN.some((known) => known.test(one)))).toEqual([]);
});
