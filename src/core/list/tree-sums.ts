type Node = {
  id: string;
  parent: string | null;
  items: number;
  minutes: number;
  waiting: number;
  failed: number;
};
export type TreeSum = Omit<Node, "id" | "parent"> & { collections: number };

/** What each collection holds with everything inside it. A ring, which must not be, ends where it closes. */
export function sumTree(nodes: readonly Node[]): Map<string, TreeSum> {
  const inside = new Map<string, Node[]>();
  for (const node of nodes)
    if (node.parent) inside.set(node.parent, [...(inside.get(node.parent) ?? []), node]);
  const sums = new Map<string, TreeSum>();
  const open = new Set<string>();
  const sum = (node: Node): TreeSum => {
    const known = sums.get(node.id);
    if (known) return known;
    open.add(node.id);
    const { items, minutes, waiting, failed } = node;
    const total: TreeSum = { items, minutes, waiting, failed, collections: 0 };
    for (const child of inside.get(node.id) ?? []) {
      if (open.has(child.id)) continue;
      const part = sum(child);
      total.items += part.items;
      total.minutes += part.minutes;
      total.waiting += part.waiting;
      total.failed += part.failed;
      total.collections += 1 + part.collections;
    }
    open.delete(node.id);
    sums.set(node.id, total);
    return total;
  };
  for (const node of nodes) sum(node);
  return sums;
}
