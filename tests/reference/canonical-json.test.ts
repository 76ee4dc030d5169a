import { expect, test } from "vitest";
import { contentBytes, type EditionContent } from "@/core/editions/content";

/** What an edition is written with takes any JSON. */
const canonical = (value: unknown): string => new TextDecoder().decode(contentBytes(value as EditionContent));

// The examples are given from memory of the standard, not copied from a file of it.
test("an edition is written as the examples of RFC 8785 (JSON Canonicalization Scheme) are", () => {
  // 3.2.2 and 3.2.3: the sample object, its primitives, and its sorted form.
  const sample = JSON.parse(`{
    "numbers": [333333333.33333329, 1E30, 4.50, 2e-3, 0.000000000000000000000000001],
    "string": "\\u20ac$\\u000F\\u000aA'\\u0042\\u0022\\u005c\\\\\\"\\/",
    "literals": [null, true, false]
  }`) as unknown;
  expect(canonical(sample)).toBe(
    `{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"\u20ac$\\u000f\\nA'B\\"\\\\\\\\\\"/"}`,
  );
  // 3.2.3: names are sorted by UTF-16 code units.
  const names = {
    "\u20ac": "Euro Sign",
    "\r": "Carriage Return",
    "\ufb33": "Hebrew Letter Dalet With Dagesh",
    "1": "One",
    "\ud83d\ude00": "Emoji: Grinning Face",
    "\u0080": "Control",
    "\u00f6": "Latin Small Letter O With Diaeresis",
  };
  expect([...canonical(names).matchAll(/:"([^"]+)"/g)].map((one) => one[1])).toEqual([
    "Carriage Return",
    "One",
    "Control",
    "Latin Small Letter O With Diaeresis",
    "Euro Sign",
    "Emoji: Grinning Face",
    "Hebrew Letter Dalet With Dagesh",
  ]);
  // Appendix B: numbers at the edges of IEEE 754.
  for (const [bits, written] of [
    ["0000000000000000", "0"],
    ["8000000000000000", "0"],
    ["0000000000000001", "5e-324"],
    ["7fefffffffffffff", "1.7976931348623157e+308"],
    ["4340000000000000", "9007199254740992"],
    ["44b52d02c7e14af5", "9.999999999999997e+22"],
    ["444b1ae4d6e2ef4f", "999999999999999900000"],
    ["3eb0c6f7a0b5ed8d", "0.000001"],
    ["41b3de4355555555", "333333333.3333333"],
  ] as const)
    expect(canonical(Buffer.from(bits, "hex").readDoubleBE()), bits).toBe(written);
});
