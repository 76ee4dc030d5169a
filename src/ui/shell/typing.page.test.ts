import { act, renderHook } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";
import { isForField, isTyping } from "./commands";
import { useTypedAhead } from "./use-typed-ahead";

let field: HTMLTextAreaElement;
beforeEach(() => {
  document.body.innerHTML = "<textarea></textarea><input><select></select><button></button>";
  field = document.querySelector("textarea")!;
});
/** A key at a place, at a time in milliseconds. */
function press(key: string, at: EventTarget, time = 0, more: object = {}) {
  const event = new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true, ...more });
  Object.defineProperty(event, "timeStamp", { value: time });
  act(() => void at.dispatchEvent(event));
  return event;
}

test("fields are typed in, buttons are not", () => {
  for (const one of document.body.children) expect(isTyping(one)).toBe(one.tagName !== "BUTTON");
  expect(isTyping(null)).toBe(false);
  expect(isTyping(window)).toBe(false);
});

test("letters typed on after the field has gone are still its own, for as long as one types on", () => {
  press("b", field, 1_000);
  field.remove();
  expect(isForField(press("o", document.body, 1_300))).toBe(true);
  expect(isForField(press("g", document.body, 2_200))).toBe(true);
  // Whoever paused has seen that the field is gone.
  expect(isForField(press("n", document.body, 3_300))).toBe(false);
});

test("a key that is no letter, or one pressed elsewhere, is meant for the page", () => {
  press("b", field, 1_000);
  field.remove();
  expect(isForField(press("Delete", document.body, 1_100))).toBe(false);
  expect(isForField(press("k", document.body, 1_100, { ctrlKey: true }))).toBe(false);
  expect(isForField(press("n", document.querySelector("button")!, 1_100))).toBe(false);
});

test("whoever left the field by a key or a press means the page with the next letter", () => {
  press("b", field, 1_000);
  press("Enter", field, 1_050);
  field.remove();
  expect(isForField(press("n", document.body, 1_100))).toBe(false);
  document.body.append(field);
  press("b", field, 2_000);
  window.dispatchEvent(new Event("pointerdown"));
  field.remove();
  expect(isForField(press("n", document.body, 2_100))).toBe(false);
});

test("what is typed before a box is there goes into it, and sets off nothing below", () => {
  const below = vi.fn();
  window.addEventListener("keydown", below);
  const onClose = vi.fn();
  const { result, rerender } = renderHook(({ open }) => useTypedAhead(open, onClose), {
    initialProps: { open: false },
  });
  press("x", document.body);
  expect([result.current[0], below.mock.calls.length]).toEqual(["", 1]);
  rerender({ open: true });
  for (const key of ["b", "o", "p", "Backspace", "g"])
    expect(press(key, document.body).defaultPrevented).toBe(true);
  expect([result.current[0], below.mock.calls.length]).toEqual(["bog", 1]);
  // Keys with Ctrl are no letters, and what is typed in the box itself is its own.
  press("k", document.body, 0, { ctrlKey: true });
  document.body.insertAdjacentHTML("beforeend", "<div role=dialog><input></div>");
  press("s", document.querySelector("[role=dialog] input")!);
  expect([result.current[0], below.mock.calls.length]).toEqual(["bog", 3]);
  press("Escape", document.body);
  expect(onClose).toHaveBeenCalledTimes(1);
  rerender({ open: false });
  expect(result.current[0]).toBe("");
  window.removeEventListener("keydown", below);
});
