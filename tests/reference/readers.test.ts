import { expect, test } from "vitest";
import { asked, said, scores, version } from "../outside/said/readers.json";

/** As `npm run test:outside -- readers` wrote it down. */
test("programs of others find nothing amiss in what readers get, in any look, with scripts and without", () => {
  expect(version).toMatch(/vnu-jar .*lighthouse .*jsonld .*jing .*Firefox/);
  // They were shown what there is: each shared collection of the demo, its looks, paper, editions.
  expect(asked["Nu HTML checker"]).toBeGreaterThan(50);
  for (const [who, count] of Object.entries(asked)) expect(count, who).toBeGreaterThan(5);
  const { lighthouse, ...others } = said;
  expect(Object.values(others).flat()).toEqual([]);
  // How fast it was is told by the machine's hour too.
  expect(lighthouse.filter((one) => !/: performance 9\d:/.test(one))).toEqual([]);
});

test("what is public has a hundred of a hundred on a phone in what does not hang on the hour", () => {
  const all = Object.entries(scores);
  expect(all.filter(([name]) => name.endsWith("public")).length).toBeGreaterThan(1);
  for (const [name, one] of all) {
    expect(one, name).toMatchObject({ accessibility: 100, "best-practices": 100 });
    // Whatever is not for everybody asks not to be found.
    expect(one.seo === 100, name).toBe(name.endsWith("public"));
  }
});
