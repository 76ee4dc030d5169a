import { act, fireEvent, render, screen } from "@testing-library/react";
import { afterAll, beforeEach, expect, test } from "vitest";
import { toastsBy } from "../talk/toast";
import { InlineTitle } from "./inline-title";

let shown: string[];
beforeEach(() => {
  shown = [];
  toastsBy((_, words) => shown.push(words));
});
afterAll(() => toastsBy(null));

/** A title whose saving ends when the test says so. */
function title(more: Partial<React.ComponentProps<typeof InlineTitle>> = {}) {
  const saves: { text: string; done: () => Promise<void>; fail: () => Promise<void> }[] = [];
  const onSave = (text: string) =>
    new Promise<void>((resolve, reject) =>
      saves.push({
        text,
        done: () => act(async () => resolve()),
        fail: () => act(async () => reject(new Error("no"))),
      }),
    );
  const one = (value: string) => (
    <>
      <button data-item="a" tabIndex={0} />
      <InlineTitle label="Title of the section" level={2} value={value} onSave={onSave} {...more} />
    </>
  );
  const view = render(one("Raised bogs"));
  const field = () => screen.getByLabelText<HTMLTextAreaElement>("Title of the section");
  return {
    saves,
    field,
    unmount: view.unmount,
    hear: (value: string) => view.rerender(one(value)),
    type: (value: string) => fireEvent.change(field(), { target: { value } }),
    press: (key: string) => fireEvent.keyDown(field(), { key }),
    heading: () => screen.getByRole("heading").textContent,
  };
}

test("Enter saves it, and it stands from then on, until the server says another", async () => {
  const one = title();
  one.field().focus();
  one.type("  Blanket bogs ");
  one.press("Enter");
  expect(one.saves.map((each) => each.text)).toEqual(["Blanket bogs"]);
  await one.saves[0]!.done();
  expect([one.field().value, one.heading()]).toEqual(["Blanket bogs", "Blanket bogs"]);
  one.hear("Somebody else's");
  expect(one.field().value).toBe("Somebody else's");
});

test("left with Enter, the focus goes back to where it came from, else to the item the keys act on", () => {
  const one = title();
  const item = document.querySelector<HTMLElement>("[data-item]")!;
  item.focus();
  one.field().focus();
  one.press("Enter");
  expect(document.activeElement).toBe(item);
  expect(one.saves).toEqual([]);
});

test("Escape leaves it as it was; emptied or unchanged nothing is saved", () => {
  const one = title();
  one.field().focus();
  one.type("Something");
  one.press("Escape");
  expect(one.field().value).toBe("Raised bogs");
  for (const text of ["", "   ", " Raised bogs "]) {
    one.field().focus();
    one.type(text);
    fireEvent.blur(one.field());
  }
  expect(one.saves).toEqual([]);
  expect(one.field().value).toBe("Raised bogs");
});

test("a line break that was pasted is a blank", () => {
  const one = title();
  one.type("Bogs\n  and fens");
  expect(one.field().value).toBe("Bogs and fens");
});

test("what was typed stays in the field when it could not be saved; when the field is gone, it is said", async () => {
  const one = title();
  one.field().focus();
  one.type("Far too long");
  fireEvent.blur(one.field());
  await one.saves[0]!.fail();
  expect(one.field().value).toBe("Far too long");
  expect(shown).toEqual(["Something went wrong on this page."]);
  fireEvent.blur(one.field());
  one.unmount();
  await one.saves[1]!.fail();
  expect(shown.at(-1)).toBe("Not saved: “Far too long”");
});

test("what is typed on while it is saved is not thrown away by the answer", async () => {
  const one = title();
  one.type("Bog");
  fireEvent.blur(one.field());
  one.type("Bog and fen");
  await one.saves[0]!.done();
  expect(one.field().value).toBe("Bog and fen");
});

test("the page left while one types, it is saved all the same, once", () => {
  const one = title();
  one.type("Half a word");
  fireEvent(window, new Event("pagehide"));
  expect(one.saves.map((each) => each.text)).toEqual(["Half a word"]);
});

test("who may only look sees a heading", () => {
  title({ readOnly: true });
  expect(screen.getByRole("heading", { level: 2 }).textContent).toBe("Raised bogs");
  expect(screen.queryByRole("textbox")).toBeNull();
});

test("a new one is chosen whole, to be written over", () => {
  const one = title({ focus: true });
  expect([one.field().selectionStart, one.field().selectionEnd]).toEqual([0, "Raised bogs".length]);
});
