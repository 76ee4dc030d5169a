import { elementsOf, xmlTree } from "../xml-tree";
import type { Unpacked } from "./unpack";

/**
 * Where links of a part lead, by the ids it names them with (ECMA-376, part 2, "Relationships"); those that lead into the web.
 * @param name of the part, as it stands in the package
 */
export function linksOfPart({ read }: Unpacked, name: string): Map<string, string> {
  const [, folder = "", file = name] = /^(.*\/)([^/]+)$/.exec(name) ?? [];
  const root = xmlTree(read(`${folder}_rels/${file}.rels`));
  return new Map(
    (root ? elementsOf(root, "Relationship") : []).flatMap(({ attributes: { Id, Target } }) =>
      Id && Target && /^https?:\/\//i.test(Target) ? [[Id, Target] as const] : [],
    ),
  );
}

/** The names of numbered parts, in the order of their numbers. */
export const numbered = ({ files }: Unpacked, start: string): string[] =>
  [...files.keys()]
    .filter((name) => name.startsWith(start) && /\d\.xml$/.test(name))
    .sort((a, b) => numberIn(a) - numberIn(b));

const numberIn = (name: string) => Number(/(\d+)\.xml$/.exec(name)?.[1] ?? 0);
