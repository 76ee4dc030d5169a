import { expect, test } from "vitest";
import { asked, said, version } from "../outside/said/stick.json";

/** As `npm run test:outside -- stick` wrote it down: a course of the demo, from a file, with the net off. */
test("a folder for a stick works in Firefox, and no link in it leads nowhere", () => {
  expect(version).toMatch(/Firefox.*LinkChecker/);
  expect(asked.Firefox).toBeGreaterThan(20);
  expect(asked.linkchecker).toBeGreaterThan(50);
  expect(Object.values(said).flat()).toEqual([]);
});
