/** A node of a tree; neighbours stand in the order of the list. */
export type TreeNode = { id: string; parent: string | null };
/** Where a node would go: into a parent (null: the top), behind a neighbour (null: first). */
export type TreeSpot = { parent: string | null; after: string | null };
export type TreeStep = "up" | "down" | "in" | "out";

const matesOf = (nodes: readonly TreeNode[], parent: string | null) =>
  nodes.filter((node) => node.parent === parent).map((node) => node.id);

/**
 * Where one step takes a node: up and down among its neighbours, in to the end of the neighbour before it, out behind
 * its parent. Null where there is nowhere to go.
 * @param nodes all of the tree, in any order
 * @param id of the node that goes
 */
export function stepInTree(nodes: readonly TreeNode[], id: string, step: TreeStep): TreeSpot | null {
  const node = nodes.find((one) => one.id === id);
  if (!node) return null;
  const mates = matesOf(nodes, node.parent);
  const at = mates.indexOf(id);
  if (step === "up") return at > 0 ? { parent: node.parent, after: mates[at - 2] ?? null } : null;
  if (step === "down") return at < mates.length - 1 ? { parent: node.parent, after: mates[at + 1]! } : null;
  if (step === "in") {
    const into = mates[at - 1];
    return into ? { parent: into, after: matesOf(nodes, into).at(-1) ?? null } : null;
  }
  const parent = nodes.find((one) => one.id === node.parent);
  return parent ? { parent: parent.parent, after: parent.id } : null;
}

/** Where something is dropped on a node: before it, into it, or behind it. */
export type Beside = "before" | "in" | "behind";

/**
 * Where a node goes that is dropped on another one.
 * @param id of the node that goes
 * @param target the node it is dropped on
 */
export function spotBeside(
  nodes: readonly TreeNode[],
  id: string,
  target: TreeNode,
  where: Beside,
): TreeSpot {
  const others = nodes.filter((one) => one.id !== id);
  if (where === "in") return { parent: target.id, after: matesOf(others, target.id).at(-1) ?? null };
  if (where === "behind") return { parent: target.parent, after: target.id };
  const mates = matesOf(others, target.parent);
  return { parent: target.parent, after: mates[mates.indexOf(target.id) - 1] ?? null };
}

/**
 * Nodes with everything inside them: where the first of them must not go.
 * @param nodes all of the tree
 * @param ids where to begin
 * @returns ids, those where it began among them
 */
export function insideOf(nodes: readonly TreeNode[], ...ids: string[]): Set<string> {
  const all = [...ids];
  for (const one of all)
    all.push(...nodes.filter((node) => node.parent === one && !all.includes(node.id)).map((node) => node.id));
  return new Set(all);
}

/**
 * Whether the way up from a node ends at the top: every parent is there, and none comes twice.
 * @param nodes the whole tree
 * @param id a collection of it
 */
export function standsInTree(nodes: readonly TreeNode[], id: string): boolean {
  const parentOf = new Map(nodes.map((node) => [node.id, node.parent]));
  const seen = new Set<string>();
  for (let one: string | null = id; one !== null; one = parentOf.get(one)!) {
    if (seen.has(one) || !parentOf.has(one)) return false;
    seen.add(one);
  }
  return true;
}

/**
 * The nodes after a move, in the order in which they then stand; a move into itself changes nothing.
 * @param nodes all of the tree
 * @param spot where it is to stand: in which parent, behind which neighbour
 */
export function movedInTree<T extends TreeNode>(nodes: readonly T[], id: string, spot: TreeSpot): T[] {
  const node = nodes.find((one) => one.id === id);
  if (!node || (spot.parent !== null && insideOf(nodes, id).has(spot.parent))) return [...nodes];
  const rest = nodes.filter((one) => one.id !== id);
  const moved = { ...node, parent: spot.parent };
  const at = spot.after === null ? -1 : rest.findIndex((one) => one.id === spot.after);
  if (at >= 0) return [...rest.slice(0, at + 1), moved, ...rest.slice(at + 1)];
  const first = rest.findIndex((one) => one.parent === spot.parent);
  return first < 0 ? [...rest, moved] : [...rest.slice(0, first), moved, ...rest.slice(first)];
}

/**
 * What is shown of a tree, line by line: depth, whether something is inside, its place among its neighbours.
 * @param nodes all of the tree
 * @param closed ids of those that do not show what is inside
 */
export function treeLines<T extends TreeNode>(
  nodes: readonly T[],
  closed: ReadonlySet<string>,
): { node: T; depth: number; parents: boolean; place: number; of: number }[] {
  const known = new Set(nodes.map((node) => node.id));
  const children = new Map<string | null, T[]>();
  for (const node of nodes) {
    const parent = node.parent !== null && known.has(node.parent) ? node.parent : null;
    children.set(parent, [...(children.get(parent) ?? []), node]);
  }
  const walk = (parent: string | null, depth: number): ReturnType<typeof treeLines<T>> =>
    (children.get(parent) ?? []).flatMap((node, i, all) => [
      { node, depth, parents: children.has(node.id), place: i + 1, of: all.length },
      ...(closed.has(node.id) || depth > 40 ? [] : walk(node.id, depth + 1)),
    ]);
  return walk(null, 0);
}
