import { beforeEach, expect, test } from "vitest";
import { goThroughCells } from "./go-through-cells";

/** A grid of three rows with three cells, drawn from the bottom up: where a row lies counts, not where it stands. */
beforeEach(() => {
  const rows = [2, 1, 0].map(
    (row) =>
      `<div data-item="${row}" tabindex="-1">${[0, 1, 2]
        .map((cell) => `<span data-cell id="c${row}${cell}" tabindex="-1"></span>`)
        .join("")}</div>`,
  );
  document.body.innerHTML = `<div role="grid">${rows.join("")}</div>`;
  for (const row of document.querySelectorAll<HTMLElement>("[data-item]"))
    row.getBoundingClientRect = () => ({ top: Number(row.dataset.item) * 40 }) as DOMRect;
});

function press(from: string, key: string, more: object = {}) {
  const cell = document.getElementById(from)!;
  cell.focus();
  let went = false;
  const listen = (event: KeyboardEvent) => (went = goThroughCells(event));
  document.addEventListener("keydown", listen);
  cell.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, ...more }));
  document.removeEventListener("keydown", listen);
  const at = document.activeElement as HTMLElement;
  return went ? at.id || `row ${at.dataset.item}` : null;
}

/** ARIA Authoring Practices Guide (W3C), data grids: https://www.w3.org/WAI/ARIA/apg/patterns/grid/#datagridsforpresentingtabularinformation */
test("right and left go from cell to cell, left of the first back to the row", () => {
  expect(press("c10", "ArrowRight")).toBe("c11");
  expect(press("c12", "ArrowRight")).toBe("c12");
  expect(press("c11", "ArrowLeft")).toBe("c10");
  expect(press("c10", "ArrowLeft")).toBe("row 1");
  expect(press("c11", "Escape")).toBe("row 1");
});

test("up and down stay in the column and go by where the rows lie", () => {
  expect(press("c11", "ArrowDown")).toBe("c21");
  expect(press("c11", "ArrowUp")).toBe("c01");
  expect(press("c02", "ArrowUp")).toBe("c02");
  expect(press("c22", "ArrowDown")).toBe("c22");
});

test("Home and End go to the ends of the row, with Ctrl or Command to the ends of the grid", () => {
  expect(press("c11", "Home")).toBe("c10");
  expect(press("c11", "End")).toBe("c12");
  expect(press("c11", "Home", { ctrlKey: true })).toBe("c00");
  expect(press("c11", "End", { metaKey: true })).toBe("c22");
});

test("any other key is for somebody else", () => {
  expect(press("c11", "Enter")).toBeNull();
  expect(press("c11", "x")).toBeNull();
});
