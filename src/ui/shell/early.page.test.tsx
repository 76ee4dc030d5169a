import { act } from "@testing-library/react";
import { useState } from "react";
import { hydrateRoot } from "react-dom/client";
import { renderToString } from "react-dom/server";
import { expect, onTestFinished, test, vi } from "vitest";
import { EARLY } from "./early";

function Counting() {
  const [times, setTimes] = useState(0);
  return (
    <form action="/somewhere-else">
      <button onClick={(event) => (event.preventDefault(), setTimes(times + 1))}>
        Pressed {times} times
      </button>
    </form>
  );
}

test("a button that was pressed before the page came alive is pressed once it hears, once; then each press counts", async () => {
  vi.useFakeTimers();
  const listens = vi.spyOn(globalThis, "addEventListener");
  new Function(EARLY)();
  const heard = listens.mock.calls.slice() as Parameters<typeof addEventListener>[];
  listens.mockRestore();
  // Whoever has this page next is not to be kept waiting by it.
  onTestFinished(() => heard.forEach((one) => removeEventListener(...one)));
  expect(heard.map(([what]) => what)).toEqual(["paste", "keydown", "pointerdown", "click"]);
  const page = document.createElement("div");
  page.innerHTML = renderToString(<Counting />);
  document.body.append(page);
  const button = page.querySelector("button")!;
  const sent = vi.fn((event: Event) => event.preventDefault());
  page.querySelector("form")!.addEventListener("submit", sent);
  button.click();
  vi.advanceTimersByTime(1_000);
  expect([page.textContent, sent.mock.calls.length]).toEqual(["Pressed 0 times", 0]);
  await act(async () => hydrateRoot(page, <Counting />));
  await act(async () => vi.advanceTimersByTime(1_000));
  expect(page.textContent).toBe("Pressed 1 times");
  await act(async () => button.click());
  await act(async () => vi.advanceTimersByTime(1_000));
  expect(page.textContent).toBe("Pressed 2 times");
  vi.useRealTimers();
});
