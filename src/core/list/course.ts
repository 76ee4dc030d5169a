type Node = { id: string; parent: string | null; title: string };

/**
 * A collection and everything inside it, from the top down, in the order of the tree; each of them is a stretch of the cloth
 * of the whole.
 * @param nodes of a tree, in the order of their siblings
 */
export function downFrom<N extends Node>(nodes: readonly N[], root: string): N[] {
  const known = new Set<string>();
  const walk = (node: N): N[] => {
    if (known.has(node.id)) return [];
    known.add(node.id);
    return [node, ...nodes.filter((one) => one.parent === node.id).flatMap(walk)];
  };
  const top = nodes.find((one) => one.id === root);
  return top ? walk(top) : [];
}

/** “Week 3: the water table” is a week, “Unit 1” a unit: a word, then a number or letter of its own. */
const COUNTED = /^(\p{L}{3,20})\s+(?:\d+|[A-Z]|[IVX]+)(?![\p{L}\d])/u;

/**
 * What stands inside, by what its people call it: those whose titles begin with the same counted word are so many of that,
 * the others are collections.
 * @param titles of everything inside, from the top down
 * @example
 * sayInside(["Unit 1", "Week 1: what", "Week 2", "Extras"]); // ["1 unit", "2 weeks", "1 more collection"]
 */
export function sayInside(titles: readonly string[]): string[] {
  const counts = new Map<string, number>();
  let others = 0;
  for (const title of titles) {
    const word = COUNTED.exec(title)?.[1]?.toLowerCase();
    if (word) counts.set(word, (counts.get(word) ?? 0) + 1);
    else others++;
  }
  const said = [...counts].map(([word, count]) => `${count} ${count === 1 ? word : `${word}s`}`);
  const more = counts.size ? "more collection" : "collection";
  return others ? [...said, `${others} ${others === 1 ? more : `${more}s`}`] : said;
}

/** As little of a name as still tells it from its neighbours where there is no room for more: its number, if it has one. */
export const shortName = (name: string): string =>
  COUNTED.exec(name)?.[0].split(/\s+/).at(-1) ?? name.slice(0, 3).trim();

/** A name in two parts of which the second one always shows: names of one course often differ at their end. */
export function cutInMiddle(name: string, most = 26, tail = 9): [head: string, tail: string] {
  return name.length <= most ? [name, ""] : [name.slice(0, -tail), name.slice(-tail)];
}
