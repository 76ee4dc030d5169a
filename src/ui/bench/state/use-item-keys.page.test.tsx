import { fireEvent, render } from "@testing-library/react";
import { expect, test, vi } from "vitest";
import type { Item } from "./types";
import { useItemKeys } from "./use-item-keys";
import { useSelection } from "./use-selection";

const item = (id: string, section: string | null = null) =>
  ({
    id,
    section,
    resource: { id: `page ${id}`, title: id, kind: "page", host: "", tags: [] },
  }) as unknown as Item;
const ITEMS = ["a", "b", "c", "d"].map((id) => item(id));
type Around = Parameters<typeof useItemKeys>[0];

/** A list of four items on a page, with its keys; of a table each row has two cells. */
function page({ items = ITEMS, ...more }: Partial<Around> = {}) {
  const commands = { step: vi.fn(), remove: vi.fn(), ask: vi.fn(), write: vi.fn() };
  const lift = { lifted: null as string[] | null, lift: vi.fn(), onKey: vi.fn(() => true), landing: null };
  const heard = { close: vi.fn(), toggle: vi.fn(), announce: vi.fn() };
  let selection!: ReturnType<typeof useSelection>;
  function List() {
    selection = useSelection(items);
    const onKey = useItemKeys({
      items,
      selection,
      commands: commands as never,
      lift,
      arranges: true,
      brings: true,
      sorted: false,
      view: "rows",
      opened: null,
      ...heard,
      ...more,
    });
    return (
      <div role="grid" onKeyDown={onKey}>
        {items.map((one) => (
          <div key={one.id} role="row" data-item={one.id} tabIndex={-1}>
            {more.view === "table" &&
              ["title", "context"].map((name) => <span key={name} data-cell={name} tabIndex={-1} />)}
            <input aria-label={`note ${one.id}`} />
          </div>
        ))}
      </div>
    );
  }
  render(<List />);
  const row = (id: string) => document.querySelector<HTMLElement>(`[data-item=${id}]`)!;
  return {
    commands,
    lift,
    ...heard,
    row,
    chosen: () => selection.chosen.map((one) => one.id).join(""),
    /** Presses a key where the focus is. @returns whether it was taken */
    press: (key: string, more: object = {}) => !fireEvent.keyDown(document.activeElement!, { key, ...more }),
    at: () => (document.activeElement as HTMLElement).dataset.item ?? null,
  };
}

test("the arrows take the focus and the choice along, and stop at the ends", () => {
  const list = page();
  list.row("b").focus();
  list.press("ArrowDown");
  expect([list.at(), list.chosen()]).toEqual(["c", "c"]);
  list.press("ArrowDown", { shiftKey: true });
  expect([list.at(), list.chosen()]).toEqual(["d", "cd"]);
  list.press("ArrowDown");
  expect([list.at(), list.chosen()]).toEqual(["d", "d"]);
  list.press("Home", { ctrlKey: true });
  expect([list.at(), list.chosen()]).toEqual(["a", "d"]);
});

test("an item taken out leaves the focus on the next one, the last on the one before", () => {
  const list = page();
  list.row("b").focus();
  expect(list.press("Delete")).toBe(true);
  expect(list.commands.remove).toHaveBeenLastCalledWith("b");
  expect(list.at()).toBe("c");
  list.row("d").focus();
  list.press("Delete");
  expect(list.at()).toBe("c");
});

test("taken out with several, the focus goes to the next that stays", () => {
  const list = page();
  list.row("b").focus();
  list.press("ArrowDown");
  list.press("ArrowUp", { shiftKey: true });
  expect(list.chosen()).toBe("bc");
  list.press("Delete");
  expect(list.at()).toBe("d");
});

test("a letter acts on all that are chosen when it is one of them, else on the one with the focus", () => {
  const list = page();
  list.row("a").focus();
  list.press(" ");
  list.row("c").focus();
  list.press(" ");
  expect(list.chosen()).toBe("ac");
  list.press("l");
  expect(list.lift.lift).toHaveBeenLastCalledWith(["a", "c"]);
  list.row("d").focus();
  list.press("l");
  expect(list.lift.lift).toHaveBeenLastCalledWith(["d"]);
});

test("what is typed in a field of an item is no key of the list", () => {
  const list = page();
  list.row("a").querySelector("input")!.focus();
  for (const key of ["Delete", "x", " ", "ArrowDown"]) expect(list.press(key)).toBe(false);
  expect(list.commands.remove).not.toHaveBeenCalled();
});

test("while something is in the hand its keys go first, and the focus stays", () => {
  const list = page({
    lift: { lifted: ["a"], lift: vi.fn(), onKey: (key: string) => key !== "Tab", landing: null },
  });
  list.row("a").focus();
  expect(list.press("ArrowDown")).toBe(true);
  expect(list.at()).toBe("a");
  expect(list.press("Delete")).toBe(true);
  expect(list.commands.remove).not.toHaveBeenCalled();
  expect(list.press("Tab")).toBe(false);
});

test("Escape closes the details that are open, from wherever in them, and the item has the focus again", () => {
  const list = page({ opened: { id: "b" } });
  list.row("c").querySelector("input")!.focus();
  list.press("Escape");
  expect(list.close).toHaveBeenCalledTimes(1);
  expect(list.at()).toBe("b");
});

test("in a sorted list nothing is moved by key, and it says why", () => {
  const list = page({ sorted: true });
  list.row("b").focus();
  list.press("ArrowDown", { altKey: true });
  expect(list.commands.step).not.toHaveBeenCalled();
  expect(list.announce).toHaveBeenCalledWith("Sorted. Press 0 to go back to its own order.");
});

test("in the table down goes to the same cell of the next item, and editing happens in the cell", () => {
  const table = page({ view: "table" });
  table.row("a").focus();
  table.press("ArrowRight");
  const cell = () => (document.activeElement as HTMLElement).dataset.cell;
  expect(cell()).toBe("title");
  table.press("ArrowRight");
  table.press("ArrowDown");
  expect(cell()).toBe("context");
  expect(document.activeElement!.closest<HTMLElement>("[data-item]")!.dataset.item).toBe("b");
  const pressed: string[] = [];
  table.row("c").addEventListener("keydown", (event) => pressed.push(event.key));
  table.row("c").focus();
  table.press("h");
  expect(cell()).toBe("title");
  expect(pressed).toEqual(["h", "F2"]);
  expect(table.toggle).not.toHaveBeenCalled();
});

test("elsewhere the context line is written in place, the details open at other fields, and Enter opens them", () => {
  const list = page();
  list.row("c").focus();
  list.press("c");
  expect(list.commands.write).toHaveBeenLastCalledWith("c");
  list.press("h");
  expect(list.toggle).toHaveBeenLastCalledWith("c", "heading");
  list.press("Enter");
  expect(list.toggle).toHaveBeenLastCalledWith("c");
});

test("of cards, down goes to the one below, and to the last of a line that is shorter", () => {
  render(<div />);
  const lines = [
    ["a", "b", "c"],
    ["d", "e"],
  ];
  const items = lines.flat().map((id) => item(id));
  let onKey!: ReturnType<typeof useItemKeys>;
  function Cards() {
    const selection = useSelection(items);
    onKey = useItemKeys({
      items,
      selection,
      commands: {} as never,
      lift: { lifted: null, lift: vi.fn(), onKey: () => false, landing: null },
      arranges: true,
      brings: true,
      sorted: false,
      view: "cards",
      opened: null,
      close: vi.fn(),
      toggle: vi.fn(),
      announce: vi.fn(),
    });
    return (
      <div role="grid" onKeyDown={onKey}>
        {lines.map((ids, line) => (
          <div
            role="row"
            key={line}
            ref={(box) => {
              if (box) box.dataset.line = String(line);
            }}
          >
            {ids.map((id) => (
              <div key={id} data-item={id} tabIndex={-1} />
            ))}
          </div>
        ))}
      </div>
    );
  }
  render(<Cards />);
  for (const card of document.querySelectorAll<HTMLElement>("[data-item]"))
    card.getBoundingClientRect = () => ({ top: Number(card.parentElement!.dataset.line) * 200 }) as DOMRect;
  const go = (from: string, key: string) => {
    const card = document.querySelector<HTMLElement>(`[data-item=${from}]`)!;
    card.focus();
    fireEvent.keyDown(card, { key });
    return (document.activeElement as HTMLElement).dataset.item;
  };
  expect(go("b", "ArrowDown")).toBe("e");
  expect(go("c", "ArrowDown")).toBe("e");
  expect(go("e", "ArrowUp")).toBe("b");
  expect(go("d", "ArrowDown")).toBe("d");
});
