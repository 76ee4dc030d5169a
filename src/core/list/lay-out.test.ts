import fc from "fast-check";
import { expect, test } from "vitest";
import { layOutLines } from "./lay-out";

const item = (id: string, section: string | null, look: "item" | "text" = "item") => ({ id, section, look });
const sections = [{ id: "s" }, { id: "t" }];

test("sections, items side by side, text between, details under the line they belong to", () => {
  const items = [item("a", null), item("b", "s"), item("c", "s"), item("x", "s", "text"), item("d", "s")];
  const lines = layOutLines(items, sections, { across: 2, opened: "b" });
  expect(
    lines.map((line) =>
      line.type === "items"
        ? line.items.map(({ item, number }) => `${item.id}${number}`).join("+")
        : line.type === "end"
          ? "end"
          : `${line.type} ${line.type === "section" ? line.section.id : line.item.id}`,
    ),
  ).toEqual(["a1", "section s", "b2+c3", "details b", "text x", "d4", "section t", "end"]);
  expect(layOutLines(items, sections, { sorted: true }).map((line) => line.key)).toEqual([
    "a",
    "b",
    "c",
    "d",
    "end",
  ]);
});

test("every item stands once, in order, whatever stands side by side", () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ section: fc.constantFrom(null, "s", "t"), text: fc.boolean() }), {
        maxLength: 30,
      }),
      fc.integer({ min: 1, max: 5 }),
      (wishes, across) => {
        const items = [null, "s", "t"].flatMap((section) =>
          wishes.flatMap((wish, i) =>
            wish.section === section ? [item(`i${i}`, section, wish.text ? "text" : "item")] : [],
          ),
        );
        const lines = layOutLines(items, sections, { across });
        const shown = lines.flatMap((line) =>
          line.type === "items"
            ? line.items.map((one) => one.item.id)
            : line.type === "text"
              ? [line.item.id]
              : [],
        );
        expect(shown).toEqual(items.map((one) => one.id));
        expect(new Set(lines.map((line) => line.key)).size).toBe(lines.length);
        for (const line of lines)
          if (line.type === "items") expect(line.items.length).toBeLessThanOrEqual(across);
      },
    ),
  );
});
