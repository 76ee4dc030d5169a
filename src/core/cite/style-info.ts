import { Parser } from "htmlparser2";

/** What a style says of itself (CSL 1.0.2, "Info"). */
export type StyleInfo = {
  title: string;
  /** The id of the style it only gives another name to; null: it stands for itself. */
  parent: string | null;
  /** Whether it can set a list of works. */
  hasBibliography: boolean;
};

/** Styles of the trade are named by addresses whose last step is the name of the file. */
const lastStep = (address: string): string => address.split("/").pop()!;

/**
 * What a style says of itself.
 * @param xml the style, or only its beginning, where its `info` stands
 * @returns null when it is no style
 */
export function styleInfo(xml: string): StyleInfo | null {
  const open: string[] = [];
  const info: StyleInfo = { title: "", parent: null, hasBibliography: false };
  let isStyle = false;
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (!open.length && name === "style") isStyle = true;
        const at = open.join("/");
        if (at === "style/info" && name === "link" && attributes.rel === "independent-parent")
          info.parent = lastStep(attributes.href ?? "");
        if (at === "style" && name === "bibliography") info.hasBibliography = true;
        open.push(name);
      },
      onclosetag: () => void open.pop(),
      ontext(text) {
        if (open.join("/") === "style/info/title") info.title += text;
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(xml);
  info.title = info.title.replace(/\s+/g, " ").trim();
  return isStyle && info.title ? info : null;
}
