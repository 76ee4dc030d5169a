import { groupBy } from "../list/group-by";
import { movedAmong } from "../order/moved-among";
import { plainText } from "../text/plain";
import { type Changes, type Told, WORDED, type Worded } from "./changes";
import type { EditionCollection, EditionItem } from "./content";

type Node = Told & { parent: string; place: number; words: Partial<Record<Worded, string>> };

/** Everything of an edition, by its id, with where it stands. */
function nodesOf(top: EditionCollection): Map<string, Node> {
  const nodes = new Map<string, Node>();
  const add = (node: Omit<Node, "holds">) => void nodes.set(node.id, { ...node, holds: 0 });
  const walk = (one: EditionCollection, where: string[]) => {
    for (const [place, section] of one.sections.entries()) {
      const inSection = section.id === null ? where : [...where, section.title];
      if (section.id !== null)
        add({
          ...{ id: section.id, what: "section", title: section.title, where, parent: one.id, place },
          words: { title: section.title, intro: plainText(section.intro) },
        });
      section.items.forEach((item, i) =>
        add({
          ...{ id: item.id, what: item.look, title: nameOf(item), where: inSection, place: i },
          parent: section.id ?? one.id,
          words: wordsOf(item),
        }),
      );
    }
    one.inside.forEach((inner, place) => {
      add({
        ...{ id: inner.id, what: "collection", title: inner.title, where, parent: one.id, place },
        words: { title: inner.title, description: inner.description },
      });
      walk(inner, [...where, inner.title]);
    });
  };
  add({
    ...{ id: top.id, what: "collection", title: top.title, where: [], parent: "", place: 0 },
    words: { title: top.title, description: top.description },
  });
  walk(top, []);
  return nodes;
}

/** A text between the items has no title; it is told of by how it begins. */
const nameOf = (item: EditionItem): string =>
  item.heading || (item.look === "text" ? item.description.slice(0, 80) : item.title);

const wordsOf = ({ heading, context, title, description, address, look }: EditionItem): Node["words"] =>
  look === "text" ? { heading, description } : { heading, context, title, description, address };

/**
 * What changed from one edition to a later one, or to the collection as it stands now: what came, what went, what stands
 * elsewhere, and what has other words. Things are the same by their ids: one that was taken out and put in again is new.
 */
export function compare(before: EditionCollection, after: EditionCollection): Changes {
  const [old, now] = [nodesOf(before), nodesOf(after)];
  return {
    added: fresh(now, old),
    gone: fresh(old, now),
    moved: movedOf(old, now),
    words: [...now.values()].flatMap((node) => {
      const was = old.get(node.id);
      if (!was) return [];
      return WORDED.flatMap((of) => {
        const [a, b] = [was.words[of] ?? "", node.words[of] ?? ""];
        return a === b ? [] : [{ ...told(node), of, before: a, after: b }];
      });
    }),
  };
}

const told = ({ id, what, title, where, holds }: Node): Told => ({ id, what, title, where, holds });

/** Those that are in one only. What is in one that is, is counted with it. */
function fresh(here: ReadonlyMap<string, Node>, there: ReadonlyMap<string, Node>): Told[] {
  const only = new Map([...here].filter(([id]) => !there.has(id)).map(([id, node]) => [id, told(node)]));
  const outermost = (id: string): Told => {
    const above = here.get(id)!.parent;
    return only.has(above) ? outermost(above) : only.get(id)!;
  };
  const said = new Set<Told>();
  for (const one of only.values()) {
    const outer = outermost(one.id);
    said.add(outer);
    if (outer !== one && one.what === "item") outer.holds++;
  }
  return [...said];
}

/** Those that stand in something else, or elsewhere among the same neighbours. */
function movedOf(old: ReadonlyMap<string, Node>, now: ReadonlyMap<string, Node>): Changes["moved"] {
  const moved: Changes["moved"] = [];
  // Items and collections stand in orders of their own.
  const order = ({ parent, what }: Node) => `${parent} ${what === "text" ? "item" : what}`;
  const [before, after] = [groupBy([...old.values()], order), groupBy([...now.values()], order)];
  for (const [parent, nodes] of after) {
    const idsOf = (some: readonly Node[] = []) =>
      [...some].sort((a, b) => a.place - b.place).map((node) => node.id);
    const elsewhere = movedAmong(idsOf(before.get(parent)), idsOf(nodes));
    for (const node of nodes) {
      const was = old.get(node.id);
      if (was && (order(was) !== parent || elsewhere.has(node.id)))
        moved.push({ ...told(node), from: was.where });
    }
  }
  return moved;
}
