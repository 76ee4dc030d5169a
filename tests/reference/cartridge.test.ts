import { expect, test } from "vitest";
import { said, version } from "../outside/said/cartridge.json";

/** As `npm run test:outside -- cartridge` wrote it down. */
test("the manifest of a cartridge is what IMS Content Packaging lays down, and names nothing that is not in it", () => {
  expect(version).toContain("libxml version");
  expect(said["against IMS Content Packaging 1.1"]).toEqual([]);
  expect(said["named and not there"]).toEqual([]);
  // Web links, a file, and pages that say why everything stands there.
  for (const kind of [/^links\/.*\.xml$/, /\.pdf$/, /^pages\/overview.*\.html$/])
    expect(
      said.named.some((name) => kind.test(name)),
      String(kind),
    ).toBe(true);
});
