import fc from "fast-check";
import { expect, test } from "vitest";
import { ownPath } from "./own-path";

test("paths of this application are kept as they are", () => {
  for (const path of ["/", "/bench/0199", "/catalogue?q=tag:%22peat%20moss%22#top"])
    expect(ownPath(path)).toBe(path);
});

/** How browsers read addresses: WHATWG URL standard, https://url.spec.whatwg.org/#url-parsing */
test("what a browser takes for another site leads nowhere", () => {
  for (const path of [
    undefined,
    "",
    "bench",
    "//evil.example/",
    "/\t/evil.example/",
    "/\n/evil.example/",
    "/\\evil.example/",
    "\\\\evil.example/",
    "https://evil.example/",
    "javascript:alert(1)",
    "/../..//evil.example",
    "//[",
  ])
    expect(new URL(ownPath(path), "https://hobbin.example").origin).toBe("https://hobbin.example");
});

test("whatever stands there, it stays here", () => {
  const text = fc.string({
    unit: fc.constantFrom("/", "\\", "\t", "\n", "\r", ":", "@", ".", "a", "?", "#", "%09"),
  });
  fc.assert(
    fc.property(text, (next) => {
      expect(new URL(ownPath(next), "https://hobbin.example").origin).toBe("https://hobbin.example");
    }),
    { numRuns: 2_000 },
  );
});
