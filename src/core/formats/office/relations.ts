import { elementsOf, xmlTree } from "../xml-tree";
import type { Unpacked } from "./unpack";

/**
 * Where links of a part lead, by the ids it names them with (ECMA-376, part 2, "Relationships"); those that lead into the web.
 * @param name of the part, as it stands in the package
 */
export const linksOfPart = (parts: Unpacked, name: string): Map<string, string> =>
  targetsOf(parts, name, (target) => (/^https?:\/\//i.test(target) ? target : null));

/** Where the pictures of a part lie in the package, by the ids it names them with. */
export const picturesOfPart = (parts: Unpacked, name: string): Map<string, string> =>
  targetsOf(parts, name, (target) => {
    const [, at] = /^(?:\.\.\/|\/ppt\/)(media\/[^/]+)$/.exec(target) ?? [];
    return at ? `${name.split("/")[0]}/${at}` : null;
  });

function targetsOf({ read }: Unpacked, name: string, wanted: (target: string) => string | null) {
  const [, folder = "", file = name] = /^(.*\/)([^/]+)$/.exec(name) ?? [];
  const root = xmlTree(read(`${folder}_rels/${file}.rels`));
  return new Map(
    (root ? elementsOf(root, "Relationship") : []).flatMap(({ attributes: { Id, Target } }) => {
      const found = Id && Target && wanted(Target);
      return Id && found ? [[Id, found] as const] : [];
    }),
  );
}

/** The names of numbered parts, in the order of their numbers. */
export const numbered = ({ files }: Unpacked, start: string): string[] =>
  [...files.keys()]
    .filter((name) => name.startsWith(start) && /\d\.xml$/.test(name))
    .sort((a, b) => numberIn(a) - numberIn(b));

const numberIn = (name: string) => Number(/(\d+)\.xml$/.exec(name)?.[1] ?? 0);
