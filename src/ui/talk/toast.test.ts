import { afterEach, expect, test, vi } from "vitest";
import { barSays, toast, toastsBy } from "./toast";

afterEach(() => toastsBy(null));

test("a bar that comes takes over what stands where it is, and says from then on what is done", () => {
  const shown = vi.fn();
  const before = { words: "Made: a copy", more: undefined };
  toastsBy(shown, () => before);
  toast("Made: a copy");
  expect(shown).toHaveBeenCalledTimes(1);
  const bar = vi.fn();
  const gone = barSays(bar);
  toast("Tagged 2 items.");
  toast.error("No connection.");
  expect(bar.mock.calls.map(([said]) => said?.words)).toEqual(["Made: a copy", "Tagged 2 items."]);
  expect(shown).toHaveBeenLastCalledWith("error", "No connection.", undefined);
  gone();
  toast("Placed.");
  expect(shown).toHaveBeenLastCalledWith("message", "Placed.", undefined);
});
