import { expect, test } from "vitest";
import { personColour } from "./person-colour";

test("a person has one colour, and people who came together have several", () => {
  const ids = Array.from(
    { length: 40 },
    (_, i) => `01a21b5c-ba5a-7482-9fe9-${(0x4a1178414a3 + i * 977).toString(16).padStart(12, "0")}`,
  );
  expect(ids.map(personColour)).toEqual(ids.map(personColour));
  expect(new Set(ids.map(personColour)).size).toBe(7);
});
