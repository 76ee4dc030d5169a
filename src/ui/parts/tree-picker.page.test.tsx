import { fireEvent, render, screen } from "@testing-library/react";
import fc from "fast-check";
import { expect, test, vi } from "vitest";
import { flattenTree, TreePicker } from "./tree-picker";

const NODES = [
  { id: "course", parent: null, title: "Field course" },
  { id: "week1", parent: "course", title: "Week 1: Ünderground" },
  { id: "week2", parent: "course", title: "Week 2" },
  { id: "own", parent: null, title: "My own" },
  { id: "lost", parent: "not seen", title: "Whose parent one may not see" },
];
const drawn = (words?: string) =>
  flattenTree(NODES, words).map((node) => `${"-".repeat(node.depth)}${node.id}`);

test("a tree is drawn from the top, each below the one it stands in; what hangs nowhere stands at the end", () => {
  expect(drawn()).toEqual(["course", "-week1", "-week2", "own", "lost"]);
});

test("narrowed by letters, in whatever case, those that have them stand beside each other", () => {
  expect(drawn(" WEEK ")).toEqual(["week1", "week2"]);
  expect(drawn("ünder")).toEqual(["week1"]);
  expect(drawn("nothing")).toEqual([]);
});

test("of every tree each collection is drawn once, below the one it stands in and one deeper", () => {
  const tree = fc.array(fc.nat(), { minLength: 1, maxLength: 20 }).map((parents) =>
    parents.map((parent, i) => ({
      id: `${i}`,
      parent: i && parent % (i + 1) < i ? `${parent % (i + 1)}` : null,
      title: `${i}`,
    })),
  );
  fc.assert(
    fc.property(tree, (nodes) => {
      const flat = flattenTree(nodes);
      expect(flat.map((node) => node.id).toSorted()).toEqual(nodes.map((node) => node.id).toSorted());
      flat.forEach((node, at) => {
        const above = flat.slice(0, at).findLast((one) => one.depth < node.depth);
        expect(above?.id ?? null).toBe(node.parent);
        expect(node.depth).toBe(above ? above.depth + 1 : 0);
      });
    }),
  );
});

/** ARIA Authoring Practices Guide (W3C), combobox: https://www.w3.org/WAI/ARIA/apg/patterns/combobox/ */
test("a few letters, the arrows, Enter; what is current is named to the reader", () => {
  const onPick = vi.fn();
  render(<TreePicker nodes={NODES} label="Move to" onPick={onPick} />);
  const field = screen.getByRole("combobox");
  const current = () =>
    document.getElementById(field.getAttribute("aria-activedescendant") ?? "")?.textContent;
  expect(current()).toBe("Field course");
  fireEvent.change(field, { target: { value: "week" } });
  fireEvent.keyDown(field, { key: "ArrowDown" });
  fireEvent.keyDown(field, { key: "ArrowDown" });
  expect(current()).toBe("Week 2");
  fireEvent.keyDown(field, { key: "Enter" });
  expect(onPick).toHaveBeenCalledExactlyOnceWith("week2");
  fireEvent.change(field, { target: { value: "xyz" } });
  expect(screen.getByText("No collection has these letters.")).toBeTruthy();
  expect(current()).toBeUndefined();
  fireEvent.keyDown(field, { key: "Enter" });
  expect(onPick).toHaveBeenCalledTimes(1);
});

test("where none is called so, one can be made of what was typed", () => {
  const onMake = vi.fn();
  const onPick = vi.fn();
  render(<TreePicker nodes={NODES} label="Where to" onPick={onPick} onMake={onMake} />);
  const field = screen.getByRole("combobox");
  const offers = () => screen.getAllByRole("option").map((one) => one.textContent);
  expect(offers()).toHaveLength(NODES.length);
  fireEvent.change(field, { target: { value: "week 2" } });
  expect(offers()).toEqual(["Week 2"]);
  fireEvent.change(field, { target: { value: " Week " } });
  expect(offers()).toEqual(["Week 1: Ünderground", "Week 2", "Make “Week” here"]);
  fireEvent.change(field, { target: { value: "Bog sounds" } });
  fireEvent.keyDown(field, { key: "Enter" });
  expect(onMake).toHaveBeenCalledExactlyOnceWith("Bog sounds");
  expect(onPick).not.toHaveBeenCalled();
});
