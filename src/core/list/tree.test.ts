import fc from "fast-check";
import { expect, test } from "vitest";
import {
  insideOf,
  movedInTree,
  spotBeside,
  standsInTree,
  stepInTree,
  type TreeNode,
  treeLines,
} from "./tree-moves";
import { sumTree } from "./tree-sums";

const tree: TreeNode[] = [
  { id: "course", parent: null },
  { id: "unit 1", parent: "course" },
  { id: "week 1", parent: "unit 1" },
  { id: "unit 2", parent: "course" },
  { id: "other", parent: null },
];

test("one step up, down, in and out", () => {
  expect(stepInTree(tree, "unit 2", "up")).toEqual({ parent: "course", after: null });
  expect(stepInTree(tree, "unit 1", "down")).toEqual({ parent: "course", after: "unit 2" });
  expect(stepInTree(tree, "unit 2", "in")).toEqual({ parent: "unit 1", after: "week 1" });
  expect(stepInTree(tree, "week 1", "out")).toEqual({ parent: "course", after: "unit 1" });
  expect(stepInTree(tree, "course", "up")).toBeNull();
  expect(stepInTree(tree, "course", "out")).toBeNull();
  expect(stepInTree(tree, "week 1", "in")).toBeNull();
});

test("lines have depth and place; what is closed hides what is inside", () => {
  const lines = treeLines(tree, new Set(["unit 1"]));
  expect(lines.map(({ node, depth, place, of }) => [node.id, depth, place, of])).toEqual([
    ["course", 0, 1, 2],
    ["unit 1", 1, 1, 2],
    ["unit 2", 1, 2, 2],
    ["other", 0, 2, 2],
  ]);
});

test("whatever is moved where, nothing is lost, doubled or put inside itself", () => {
  const nodes = fc
    .array(fc.nat(8), { minLength: 1, maxLength: 12 })
    .map((parents) =>
      parents.map((n, i): TreeNode => ({ id: `n${i}`, parent: i === 0 || n >= i ? null : `n${n}` })),
    );
  fc.assert(
    fc.property(
      nodes,
      fc.nat(11),
      fc.option(fc.nat(11), { nil: null }),
      fc.nat(11),
      (all, a, into, behind) => {
        const id = `n${a % all.length}`;
        const parent = into === null ? null : `n${into % all.length}`;
        const after =
          all.filter((node) => node.parent === parent && node.id !== id)[behind % all.length]?.id ?? null;
        const moved = movedInTree(all, id, { parent, after });
        expect(moved.map((node) => node.id).sort()).toEqual(all.map((node) => node.id).sort());
        // From every node the top is reached: there is no ring, so every line is shown.
        expect(treeLines(moved, new Set())).toHaveLength(all.length);
        if (parent !== null && insideOf(all, id).has(parent)) return;
        const mates = moved.filter((node) => node.parent === parent).map((node) => node.id);
        expect(mates.indexOf(id)).toBe(after === null ? 0 : mates.indexOf(after) + 1);
      },
    ),
  );
});

test("whatever stands in a tree has its way up; in a ring, or below what is gone, it has none", () => {
  expect(tree.every((node) => standsInTree(tree, node.id))).toBe(true);
  expect(standsInTree(tree, "gone")).toBe(false);
  const broken = [
    ...tree,
    { id: "lost", parent: "gone" },
    { id: "x", parent: "y" },
    { id: "y", parent: "x" },
  ];
  expect(broken.filter((node) => !standsInTree(broken, node.id)).map((node) => node.id)).toEqual([
    "lost",
    "x",
    "y",
  ]);
});

test("a collection sums up what is inside it, however deep", () => {
  const node = (id: string, parent: string | null, items: number) => ({
    id,
    parent,
    items,
    minutes: items * 10,
    waiting: 0,
    failed: items === 3 ? 1 : 0,
  });
  const sums = sumTree([node("a", null, 1), node("b", "a", 2), node("c", "b", 3), node("d", "a", 4)]);
  expect(sums.get("a")).toEqual({ items: 10, minutes: 100, waiting: 0, failed: 1, collections: 3 });
  expect(sums.get("b")).toMatchObject({ items: 5, failed: 1, collections: 1 });
  // A ring, which cannot be made, does not hang the page.
  expect(sumTree([node("x", "y", 1), node("y", "x", 1)]).size).toBe(2);
});

test("dropped before, into and behind another one; where it stood itself does not count", () => {
  const unit1 = tree[1]!;
  expect(spotBeside(tree, "other", unit1, "before")).toEqual({ parent: "course", after: null });
  expect(spotBeside(tree, "other", unit1, "in")).toEqual({ parent: "unit 1", after: "week 1" });
  expect(spotBeside(tree, "other", unit1, "behind")).toEqual({ parent: "course", after: "unit 1" });
  // Its neighbour before unit 2 is itself, so it comes first.
  expect(spotBeside(tree, "unit 1", tree[3]!, "before")).toEqual({ parent: "course", after: null });
});
