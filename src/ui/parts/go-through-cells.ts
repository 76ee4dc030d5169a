/**
 * The keys in a cell of a grid, as the ARIA Authoring Practices have them for data grids: right and left go from cell
 * to cell, left of the first back to the row; up and down to the same column of the next row; Home and End to the ends
 * of the row, with Ctrl to the first and the last cell that is drawn.
 * @param event a key that was pressed while a cell ([data-cell] in a [data-item] in a [role=grid]) has the focus
 * @returns whether the key went somewhere
 */
export function goThroughCells(event: KeyboardEvent): boolean {
  const cell = event.target as HTMLElement;
  const row = cell.closest<HTMLElement>("[data-item]")!;
  const cells = cellsOf(row);
  const at = cells.indexOf(cell);
  const ctrl = event.ctrlKey || event.metaKey;
  const rows = () =>
    [...row.closest("[role=grid]")!.querySelectorAll<HTMLElement>("[data-item]")].sort(
      (a, b) => a.getBoundingClientRect().top - b.getBoundingClientRect().top,
    );
  const goTo = (next: HTMLElement | undefined) => next?.focus();
  if (event.key === "ArrowRight") goTo(cells[Math.min(at + 1, cells.length - 1)]);
  else if (event.key === "ArrowLeft") goTo(cells[at - 1] ?? row);
  else if (event.key === "Home") goTo(cellsOf(ctrl ? rows()[0]! : row)[0]);
  else if (event.key === "End") goTo(cellsOf(ctrl ? rows().at(-1)! : row).at(-1));
  else if (event.key === "Escape") row.focus();
  else if (event.key === "ArrowDown" || event.key === "ArrowUp") {
    const all = rows();
    const next = all[all.indexOf(row) + (event.key === "ArrowDown" ? 1 : -1)];
    if (next) goTo(cellsOf(next)[at]);
  } else return false;
  return true;
}

const cellsOf = (row: HTMLElement) => [...row.querySelectorAll<HTMLElement>("[data-cell]")];
