import { act, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { afterAll, beforeEach, expect, test } from "vitest";
import { Refusal } from "../../talk/call";
import { toastsBy } from "../../talk/toast";
import { EditableCell } from "./editable-cell";

let shown: { words: string; more?: { description?: unknown } }[];
beforeEach(() => {
  shown = [];
  toastsBy((_, words, more) => shown.push({ words, more }));
});
afterAll(() => toastsBy(null));

/** A cell whose saving ends when the test says so. */
function cell(text = "Raised bogs") {
  const saves: { text: string; done: () => Promise<void>; fail: (error: Error) => Promise<void> }[] = [];
  const save = (text: string) =>
    new Promise<void>((resolve, reject) =>
      saves.push({
        text,
        done: () => act(async () => resolve()),
        fail: (error) => act(async () => reject(error)),
      }),
    );
  const view = render(<EditableCell name="title" cell={{ label: "Title", text, save }} />);
  const input = () => screen.queryByRole("textbox") as HTMLInputElement | null;
  const box = () => screen.getByRole("gridcell");
  const edit = (typed: string, key?: string) => {
    fireEvent.keyDown(box(), { key: "F2" });
    fireEvent.change(input()!, { target: { value: typed } });
    if (key) fireEvent.keyDown(input()!, { key });
  };
  return { ...view, saves, input, box, edit };
}
const refused = new Refusal(422, "Look at the fields.", { title: "That title is too long." });

test("Enter saves and what was typed stands there meanwhile; Escape saves nothing", async () => {
  const one = cell();
  one.edit("  Blanket bogs ", "Enter");
  expect(one.saves.map((each) => each.text)).toEqual(["Blanket bogs"]);
  expect(one.box().textContent).toBe("Blanket bogs");
  await one.saves[0]!.done();
  // Until the list says what it is now, it is what it was.
  expect(one.box().textContent).toBe("Raised bogs");
  one.edit("Fens", "Escape");
  expect(one.saves).toHaveLength(1);
  expect(one.input()).toBeNull();
});

test("left by pressing elsewhere it saves once; unchanged it saves nothing", () => {
  const one = cell();
  one.edit("Fens");
  fireEvent.blur(one.input()!);
  expect(one.saves.map((each) => each.text)).toEqual(["Fens"]);
  one.edit("Raised bogs", "Enter");
  expect(one.saves).toHaveLength(1);
});

test("what is refused stays in the cell with the reason, and is there when one edits again", async () => {
  const one = cell();
  one.edit("Far too long", "Enter");
  await one.saves[0]!.fail(refused);
  expect(one.box().textContent).toContain("Far too long");
  expect(screen.getByRole("alert").textContent).toBe("Not saved. That title is too long.");
  fireEvent.doubleClick(one.box());
  expect(one.input()!.value).toBe("Far too long");
  fireEvent.keyDown(one.input()!, { key: "Escape" });
  expect(screen.queryByRole("alert")).toBeNull();
  expect(one.box().textContent).toBe("Raised bogs");
});

test("the cell gone, what could not be saved is said elsewhere, with its words", async () => {
  const one = cell();
  one.edit("Sphagnum", "Enter");
  one.unmount();
  await one.saves[0]!.fail(refused);
  expect(shown).toEqual([
    {
      words: "Not saved: “Sphagnum”",
      more: expect.objectContaining({ description: "That title is too long." }),
    },
  ]);
});

test("the cell going away with words that were refused, they are said too", async () => {
  const one = cell();
  one.edit("Sphagnum", "Enter");
  await one.saves[0]!.fail(refused);
  one.unmount();
  await waitFor(() => expect(shown.map((each) => each.words)).toEqual(["Not saved: “Sphagnum”"]));
});

test("the page left while one types, what is typed is saved", () => {
  const one = cell();
  one.edit("Half a wor");
  fireEvent(window, new Event("pagehide"));
  expect(one.saves.map((each) => each.text)).toEqual(["Half a wor"]);
  fireEvent.blur(one.input() ?? document.body);
  expect(one.saves).toHaveLength(1);
});

test("who may only look cannot edit, and it says so", () => {
  render(<EditableCell name="title" cell={{ label: "Title", text: "Raised bogs" }} />);
  const box = screen.getByRole("gridcell");
  expect(box.getAttribute("aria-readonly")).toBe("true");
  fireEvent.keyDown(box, { key: "F2" });
  fireEvent.doubleClick(box);
  expect(screen.queryByRole("textbox")).toBeNull();
});
