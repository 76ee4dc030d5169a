import { fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";
import { TagInput } from "./tag-input";

const KNOWN = [
  { name: "water table", count: 9, last: 3 },
  { name: "peat", count: 4, last: 2 },
  { name: "tables and figures", count: 1, last: 1 },
];

function field(more: Partial<React.ComponentProps<typeof TagInput>> = {}) {
  const heard = { onAdd: vi.fn(), onRemove: vi.fn(), onEmptyEnter: vi.fn() };
  const view = render(<TagInput label="Tags" tags={["peat"]} known={KNOWN as never} {...heard} {...more} />);
  const input = screen.queryByRole("combobox") as HTMLInputElement;
  const type = (value: string) => fireEvent.change(input, { target: { value } });
  const press = (key: string) => fireEvent.keyDown(input, { key });
  return {
    ...heard,
    ...view,
    input,
    type,
    press,
    offers: () => screen.queryAllByRole("option").map((one) => one.textContent),
  };
}

test("a tag is completed from the first letters of any of its words; one that is there is not offered", () => {
  const tags = field();
  tags.type("ta");
  expect(tags.offers()).toEqual(["tables and figures1", "water table9"]);
  tags.type("pe");
  expect(tags.offers()).toEqual([]);
});

test("the arrows choose what is offered and Enter takes it; what has the focus of the reader is named", () => {
  const tags = field();
  tags.type("water");
  tags.press("ArrowDown");
  const option = screen.getByRole("option", { selected: true });
  expect(tags.input.getAttribute("aria-activedescendant")).toBe(option.id);
  tags.press("ArrowDown");
  tags.press("Enter");
  expect(tags.onAdd).toHaveBeenCalledExactlyOnceWith(["water table"]);
  expect(tags.input.value).toBe("");
});

test("Enter or a comma ends a new tag of several words, and several that were pasted come in at once", () => {
  const tags = field();
  tags.type("  raised   bog ");
  tags.press(",");
  expect(tags.onAdd).toHaveBeenLastCalledWith(["raised bog"]);
  tags.type("fen, Peat, carr");
  tags.press("Enter");
  expect(tags.onAdd).toHaveBeenLastCalledWith(["fen", "carr"]);
});

test("a tag that is there already is not added twice, in whatever letters", () => {
  const tags = field();
  tags.type("PEAT");
  tags.press("Enter");
  expect(tags.onAdd).not.toHaveBeenCalled();
  expect(tags.input.value).toBe("");
});

test("what is typed when the field is left is not lost", () => {
  const tags = field();
  tags.type("hollow");
  fireEvent.blur(tags.input);
  expect(tags.onAdd).toHaveBeenCalledExactlyOnceWith(["hollow"]);
  fireEvent.blur(tags.input);
  expect(tags.onAdd).toHaveBeenCalledTimes(1);
});

test("Backspace in the empty field takes the last one off; Enter there is for whoever wants it", () => {
  const tags = field({ tags: ["peat", "fen"] });
  tags.press("Backspace");
  expect(tags.onRemove).toHaveBeenCalledExactlyOnceWith("fen");
  tags.press("Enter");
  expect(tags.onEmptyEnter).toHaveBeenCalledTimes(1);
  tags.type("x");
  tags.press("Backspace");
  expect(tags.onRemove).toHaveBeenCalledTimes(1);
});

test("Escape closes what is offered first, and only then goes on to what the field stands in", () => {
  const tags = field();
  const outside = vi.fn();
  window.addEventListener("keydown", outside);
  tags.type("wat");
  tags.press("Escape");
  expect(tags.offers()).toEqual([]);
  expect(outside).not.toHaveBeenCalled();
  tags.press("Escape");
  expect(outside).toHaveBeenCalledTimes(1);
  window.removeEventListener("keydown", outside);
});

test("who may only look sees the tags and nothing to change them with", () => {
  const tags = field({ readOnly: true });
  expect(screen.getByText("peat")).toBeTruthy();
  expect(tags.input).toBeNull();
  expect(screen.queryByRole("button")).toBeNull();
});
