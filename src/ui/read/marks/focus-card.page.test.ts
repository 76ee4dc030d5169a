import { beforeEach, expect, test, vi } from "vitest";
import { focusComing, focusNewNote } from "./focus-card";

const insert = vi.fn(() => true);
beforeEach(() => {
  document.body.innerHTML = "<button></button>";
  document.execCommand = insert;
});
const frames = async (count: number) => {
  for (let i = 0; i < count; i++) await new Promise((resolve) => requestAnimationFrame(resolve));
};
/** The card of a mark, where it is to be seen. */
function card(inner = "<textarea></textarea>"): HTMLElement {
  const made = document.createElement("div");
  made.dataset.mark = "one";
  made.tabIndex = -1;
  made.innerHTML = inner;
  made.getClientRects = () => [{}] as unknown as DOMRectList;
  document.body.append(made);
  return made;
}

test("what is typed before the note of a new mark is there is the note, and no key of what lies there", async () => {
  const below = vi.fn();
  window.addEventListener("keydown", below);
  focusNewNote("one");
  await frames(3);
  const typed = new KeyboardEvent("keydown", { key: "t", bubbles: true, cancelable: true });
  document.querySelector("button")!.dispatchEvent(typed);
  expect([typed.defaultPrevented, below.mock.calls.length]).toEqual([true, 0]);
  const field = card().querySelector("textarea");
  await frames(3);
  expect(document.activeElement).toBe(field);
  expect(insert.mock.calls).toEqual([["insertText", false, "t"]]);
  window.removeEventListener("keydown", below);
});

test("a card that comes in a moment is gone to when it is there", async () => {
  focusComing("one");
  await frames(2);
  const made = card("");
  await frames(2);
  expect(document.activeElement).toBe(made);
});
