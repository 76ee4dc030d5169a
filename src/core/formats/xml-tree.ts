import { Parser } from "htmlparser2";

/** An element of XML, with its words among its children. */
export type XmlElement = {
  name: string;
  attributes: Readonly<Record<string, string>>;
  children: (XmlElement | string)[];
};

/** Thrown for XML that is nested deeper than anything people write. */
export class TooDeep extends Error {}
const DEEPEST = 200;

/**
 * XML as a tree, its names as they stand; what is not well formed is read as far as it makes sense.
 * @returns the outermost element; null when there is none
 * @throws {TooDeep}
 */
export function xmlTree(text: string): XmlElement | null {
  const root: XmlElement = { name: "", attributes: {}, children: [] };
  const open = [root];
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (open.length > DEEPEST) throw new TooDeep("nested deeper than anything people write");
        const element = { name, attributes, children: [] };
        open.at(-1)!.children.push(element);
        open.push(element);
      },
      onclosetag: () => void open.pop(),
      ontext: (words) => void open.at(-1)!.children.push(words),
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(text);
  return root.children.find((one) => typeof one !== "string") ?? null;
}

/** The elements of these names in an element, in their order. */
export const elementsOf = (parent: XmlElement, ...names: string[]): XmlElement[] =>
  parent.children.filter((one): one is XmlElement => typeof one !== "string" && names.includes(one.name));

/** All words in an element. */
export const wordsOf = (element: XmlElement | undefined): string =>
  element ? element.children.map((one) => (typeof one === "string" ? one : wordsOf(one))).join("") : "";
