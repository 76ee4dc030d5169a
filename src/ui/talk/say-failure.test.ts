import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { Refusal } from "./call";
import { sayUnsaved, whyOf } from "./say-failure";
import { toast, toastsBy } from "./toast";

type Shown = {
  kind: string;
  words: string;
  more: { description?: string; duration?: number; action?: { onClick: () => void } };
};
let shown: Shown[] = [];
const show = (kind: string, words: string, more: unknown) =>
  void shown.push({ kind, words, more: more as Shown["more"] });
beforeEach(() => {
  shown = [];
  toastsBy(show);
});
afterAll(() => toastsBy(show));
const turn = () => new Promise((resolve) => setTimeout(resolve));

test("why something could not be done is said as closely as the server said it", () => {
  expect(whyOf(new Refusal(422, "Something needs another look", { title: "Give a title." }))).toBe(
    "Give a title.",
  );
  expect(whyOf(new Refusal(409, "Somebody was here", {}))).toBe("Somebody was here");
  expect(whyOf(new TypeError("x is undefined"))).toBe("Something went wrong on this page.");
});

test("words that could not be saved stay until they are: each try that fails says why, and offers the next", async () => {
  const tries = [
    new Refusal(0, "Hobbin cannot be reached just now.", {}),
    new Refusal(404, "It is gone.", {}),
    null,
  ];
  const again = vi.fn(async () => {
    const failure = tries.shift();
    if (failure) throw failure;
  });
  sayUnsaved("Mind the dam", "It was taken out.", again);
  expect(shown[0]).toMatchObject({
    kind: "error",
    words: "Not saved: “Mind the dam”",
    more: { duration: Infinity },
  });
  for (const why of ["Hobbin cannot be reached just now.", "It is gone."]) {
    shown.at(-1)!.more.action!.onClick();
    await turn();
    expect(shown.at(-1)!.more.description).toBe(why);
  }
  shown.at(-1)!.more.action!.onClick();
  await turn();
  expect([again.mock.calls.length, shown.length]).toEqual([3, 3]);
});

test("a long text is known by its beginning", () => {
  sayUnsaved(
    "The water stands all year below the lower layer, which is dark and old",
    "",
    async () => undefined,
  );
  expect(shown[0]!.words).toBe("Not saved: “The water stands all year below the lower layer, which is da …”");
});

test("what is said before there is anything to show it waits, and is shown in its order", () => {
  toastsBy(null);
  toast("first");
  toast.error("second");
  expect(shown).toEqual([]);
  toastsBy(show);
  expect(shown.map(({ kind, words }) => `${kind} ${words}`)).toEqual(["message first", "error second"]);
  toast("third");
  expect(shown).toHaveLength(3);
});
