import { expect, test, vi } from "vitest";
import { combobox, el, type Option, show } from "./parts";

const OPTIONS: Option[] = [
  { key: "1", words: "Raised bogs", about: "Field course", deep: true },
  { key: "2", words: "Fens" },
  { key: "3", words: "Fire on peat" },
];
function box(more: Partial<Parameters<typeof combobox>[0]> = {}) {
  const taken: string[] = [];
  const free: string[] = [];
  const made = combobox({
    label: "Where it goes",
    open: true,
    find: (typed) => OPTIONS.filter((one) => one.words.toLowerCase().includes(typed.toLowerCase())),
    onTake: (option) => taken.push(option.key),
    ...more,
  });
  document.body.replaceChildren(made.element);
  const press = (key: string) => {
    const event = new KeyboardEvent("keydown", { key, cancelable: true, bubbles: true });
    made.input.dispatchEvent(event);
    return event.defaultPrevented;
  };
  const type = (value: string) => {
    made.input.value = value;
    made.input.dispatchEvent(new Event("input"));
  };
  const shown = () =>
    [...document.querySelectorAll("[role=option]")].map((one) => one.firstChild!.textContent);
  const current = () =>
    document.getElementById(made.input.getAttribute("aria-activedescendant") ?? "")?.firstChild;
  return { ...made, taken, free, press, type, shown, current };
}

test("text is text, whatever it holds; what is false or missing is no attribute", () => {
  const made = el(
    "p",
    { title: '"><script>', hidden: false, lang: undefined, inert: true },
    "<b>bold</b>",
    null,
  );
  expect(made.querySelector("b")).toBeNull();
  expect(made.textContent).toBe("<b>bold</b>");
  expect(made.getAttribute("title")).toBe('"><script>');
  expect(made.hasAttribute("hidden") || made.hasAttribute("lang")).toBe(false);
  expect(made.getAttribute("inert")).toBe("");
  document.body.innerHTML = "<main id=main>old</main>";
  show(made, null, "and more");
  expect(document.getElementById("main")!.textContent).toBe("<b>bold</b>and more");
});

/** ARIA Authoring Practices Guide (W3C), combobox: https://www.w3.org/WAI/ARIA/apg/patterns/combobox/ */
test("letters narrow, arrows go, Enter takes; what is current is named to the reader", () => {
  const { type, shown, current, press, taken, input } = box();
  expect(input.getAttribute("role")).toBe("combobox");
  expect(input.getAttribute("aria-controls")).toBe(document.querySelector("[role=listbox]")!.id);
  type("f");
  expect(shown()).toEqual(["Fens", "Fire on peat"]);
  // The first is current, so that Enter takes it.
  expect(current()!.textContent).toBe("Fens");
  press("ArrowDown");
  expect(current()!.textContent).toBe("Fire on peat");
  press("ArrowDown");
  expect(current()!.textContent).toBe("Fire on peat");
  expect(document.querySelectorAll("[aria-selected=true]")).toHaveLength(1);
  expect(press("Enter")).toBe(true);
  expect(taken).toEqual(["3"]);
  expect(input.value).toBe("");
  expect(shown()).toHaveLength(3);
});

test("Enter with nothing typed and nothing chosen is the form's, which saves", () => {
  const { press, taken } = box();
  expect(press("Enter")).toBe(false);
  expect(taken).toEqual([]);
});

test("what is new is taken as it is written where that is allowed, and nothing is chosen for one", () => {
  const { type, press, current, free } = box({ free: (typed) => free.push(typed) });
  type("fen");
  expect(current()).toBeUndefined();
  press(",");
  type("  carr ");
  press("Enter");
  expect(free).toEqual(["fen", "carr"]);
});

test("right goes into what has something in it, left out again, but not while one types", () => {
  const into = vi.fn();
  const out = vi.fn(() => true);
  const { press, type } = box({ into, out });
  press("ArrowDown");
  expect(press("ArrowRight")).toBe(true);
  expect(into).toHaveBeenCalledExactlyOnceWith(OPTIONS[0]);
  press("ArrowLeft");
  expect(out).toHaveBeenCalledTimes(1);
  type("fens");
  // The caret moves in the words, and Fens has nothing in it.
  expect(press("ArrowRight")).toBe(false);
  press("ArrowLeft");
  expect(out).toHaveBeenCalledTimes(1);
});

test("by the mouse: an option is taken, its arrow goes into it, and the field keeps the focus", () => {
  const into = vi.fn();
  const { taken } = box({ into });
  const down = (place: Element) => {
    const event = new MouseEvent("mousedown", { bubbles: true, cancelable: true });
    place.dispatchEvent(event);
    return event.defaultPrevented;
  };
  const [first] = document.querySelectorAll("[role=option]");
  expect(down(first!.querySelector("button")!)).toBe(true);
  expect(into).toHaveBeenCalledTimes(1);
  expect(taken).toEqual([]);
  expect(down(document.querySelectorAll("[role=option]")[1]!)).toBe(true);
  expect(taken).toEqual(["2"]);
});
