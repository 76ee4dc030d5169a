import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { holdLetters } from "./hold-letters";

let keys: string[] = [];
let field: HTMLInputElement;
const hear = (event: KeyboardEvent) => void keys.push(event.key);
beforeEach(() => {
  keys = [];
  document.body.replaceChildren();
  field = document.body.appendChild(document.createElement("input"));
  window.addEventListener("keydown", hear);
  // The page of the tests has no commands of editing.
  document.execCommand = (_: string, __?: boolean, text?: string) => {
    (document.activeElement as HTMLInputElement).value += text;
    return true;
  };
});
afterEach(() => window.removeEventListener("keydown", hear));
const press = (key: string, target: EventTarget = document.body) =>
  target.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }));
const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));

test("what is typed before the field is there goes into it, and sets nothing off", async () => {
  holdLetters();
  for (const key of ["W", "e", "r", "Backspace", "e", "k"]) press(key);
  expect(keys).toEqual([]);
  field.focus();
  await frame();
  expect(field.value).toBe("Week");
  // From then on the field has its keys itself, and the page the others.
  press("x", field);
  field.blur();
  press("n");
  expect([keys, field.value]).toEqual([["x", "n"], "Week"]);
});

test("a dialog that has a button first, and no field, has the keys at once", () => {
  document.body.insertAdjacentHTML("beforeend", '<div role="dialog"><button>Do it</button></div>');
  const button = document.querySelector<HTMLElement>("[role=dialog] button")!;
  holdLetters();
  button.focus();
  press("Enter", button);
  expect(keys).toEqual(["Enter"]);
});

test("what is typed just after the field has come stands behind that, and Enter finds all of it", async () => {
  let found = "";
  field.addEventListener("keydown", (event) => event.key === "Enter" && (found = field.value));
  holdLetters();
  press("W");
  field.focus();
  for (const key of ["e", "e", "k", "Enter"]) press(key, field);
  expect(found).toBe("Week");
  await frame();
  expect(field.value).toBe("Week");
});

test("keys that are no letters are the page's; Escape, a press or a field that never comes end it", async () => {
  vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout"] });
  for (const stop of [
    () => press("Escape"),
    () => window.dispatchEvent(new Event("pointerdown")),
    () => vi.advanceTimersByTime(3_001),
  ]) {
    keys = [];
    holdLetters();
    press("ArrowDown");
    press("a");
    stop();
    press("b");
    expect(keys.filter((key) => key !== "Escape")).toEqual(["ArrowDown", "b"]);
  }
  vi.useRealTimers();
  field.focus();
  await frame();
  expect(field.value).toBe("");
});
