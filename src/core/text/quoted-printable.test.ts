import { expect, test } from "vitest";
import { fromQuotedPrintable } from "./quoted-printable";

/** RFC 2045, 6.7, rules 1 and 5; its worked example of a soft line break. */
test("lines that go on and bytes of letters are read; what only looks like it stays", () => {
  const example =
    "Now's the time =\nfor all folk to come=\n to the aid of their country, says M=C3=BCller (x=3D1)";
  expect(fromQuotedPrintable(example)).toBe(
    "Now's the time for all folk to come=\n to the aid of their country, says Müller (x=1)",
  );
  expect(fromQuotedPrintable("https://bog.example/?x=3D1&y=2")).toBe("https://bog.example/?x=3D1&y=2");
  expect(fromQuotedPrintable("a=\nb=FF=3D")).toBe("ab=FF=3D");
  expect(fromQuotedPrintable("ü=\nb=3D")).toBe("üb=3D");
});
