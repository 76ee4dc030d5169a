import { expect, test } from "vitest";
import { countOpen, type Said, threadsOf } from "./threads";

const say = (id: string, more: Partial<Said> = {}): Said => ({
  ...{ id, placement: null, section: null, thread: null, settledAt: null, gone: false },
  ...more,
});

test("answers stand with what they answer, whoever else said something in between", () => {
  const all = [
    say("a"),
    say("b", { placement: "p" }),
    say("a1", { thread: "a" }),
    say("a2", { thread: "a" }),
  ];
  expect(threadsOf(all).map(({ first, answers }) => [first.id, ...answers.map((one) => one.id)])).toEqual([
    ["a", "a1", "a2"],
    ["b"],
  ]);
});

test("an answer whose beginning is not there is there itself", () => {
  expect(threadsOf([say("x", { thread: "elsewhere" })])).toMatchObject([{ first: { id: "x" }, answers: [] }]);
});

test("what is settled or taken back is not counted, what was answered to it is", () => {
  const settledAt = "2026-03-09T17:00:00Z";
  const all = [
    say("a", { placement: "p", gone: true }),
    say("a1", { placement: "p", thread: "a" }),
    say("b", { placement: "p" }),
    say("c", { section: "s", settledAt }),
    say("c1", { section: "s", thread: "c" }),
    say("d"),
  ];
  expect([...countOpen(all)]).toEqual([
    ["p", 2],
    ["", 1],
  ]);
});
