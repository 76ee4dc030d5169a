import fc from "fast-check";
import { expect, it } from "vitest";
import { whatChanged } from "./what-changed";

const texts = fc.array(fc.constantFrom("moss ", "peat ", "water ", "dam\n", "bog. "), { maxLength: 40 });

it("holds both texts: without what is new the older, without what is gone the newer", () => {
  fc.assert(
    fc.property(texts, texts, (one, other) => {
      const [before, after] = [one.join(""), other.join("")];
      const parts = whatChanged(before, after);
      const without = (kind: string) =>
        parts
          .filter((part) => part.kind !== kind)
          .map((part) => part.text)
          .join("");
      expect(without("new")).toBe(before);
      expect(without("gone")).toBe(after);
    }),
  );
});

it("names the words that are other, and takes no longer for a text of one word", () => {
  expect(whatChanged("Water stands.\nMoss grows slowly.\n", "Water stands.\nMoss grows fast.\n")).toEqual([
    { kind: "same", text: "Water stands.\nMoss grows " },
    { kind: "gone", text: "slowly.\n" },
    { kind: "new", text: "fast.\n" },
  ]);
  const long = "moss ".repeat(50_000);
  expect(whatChanged(long, `${long}peat`).map((part) => part.kind)).toEqual(["gone", "new"]);
});
