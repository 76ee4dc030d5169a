import { expect, it, vi } from "vitest";
import { RereadAtRest } from "./reread-at-rest";

/** A promise, and the ways to end it. */
function deferred() {
  let [resolve, reject] = [() => {}, (_: Error) => {}];
  const promise = new Promise<void>((ends, fails) => ([resolve, reject] = [ends, fails]));
  return { promise, resolve, reject };
}

it("reads at once at rest, and after what is under way once, whatever came meanwhile or was refused", async () => {
  const [read, stop] = [vi.fn(), vi.fn()];
  const rest = new RereadAtRest(read, stop);
  rest.again();
  expect(read).toHaveBeenCalledTimes(1);

  const first = deferred();
  const second = deferred();
  void rest.during(first.promise);
  rest.during(second.promise).catch(() => undefined);
  expect(stop).toHaveBeenCalledTimes(2);
  rest.again();
  first.resolve();
  await first.promise;
  rest.again();
  expect(read).toHaveBeenCalledTimes(1);
  second.reject(new Error("refused"));
  await second.promise.catch(() => undefined);
  await Promise.resolve();
  expect(read).toHaveBeenCalledTimes(2);
});
