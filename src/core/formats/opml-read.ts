import { Parser } from "htmlparser2";
import { bareLink, emptyFolder, type ImportedFile, type ImportedFolder, type PassedOver } from "./imported";

/**
 * Reads a feed list (OPML 2.0, https://opml.org/spec2.opml): outlines that hold outlines are folders, those with an
 * address are links. Of a feed the page it belongs to is taken, and its feed where it names no page.
 * @param file the text of the file
 */
export function readOpml(file: string): ImportedFile {
  const root = emptyFolder();
  const stack: ImportedFolder[] = [root];
  const passedOver: PassedOver[] = [];
  let inTitle = false;
  const parser = new Parser(
    {
      onopentag(name, at) {
        if (name === "title") inTitle = true;
        if (name !== "outline") return;
        const words = (at.text || at.title || "").trim();
        const address = asWeb(at.htmlUrl || at.url || at.xmlUrl || "");
        const top = stack.at(-1)!;
        if (address) {
          top.children.push(
            bareLink(address, {
              title: (at.title || words).trim(),
              context: at.description?.trim() ?? "",
              tagText: categories(at.category),
              addedAt: date(at.created),
            }),
          );
          stack.push(top);
        } else {
          const folder = { ...emptyFolder(words), addedAt: date(at.created) };
          top.children.push(folder);
          stack.push(folder);
        }
      },
      ontext(text) {
        if (inTitle) root.title += text;
      },
      onclosetag(name) {
        if (name === "title") inTitle = false;
        if (name === "outline" && stack.length > 1) stack.pop();
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(file);
  const prune = (folder: ImportedFolder): void => {
    folder.children = folder.children.filter((child) => {
      if (child.type === "link") return true;
      prune(child);
      // An outline with neither address nor outlines in it is a line of text.
      if (!child.children.length) passedOver.push({ text: child.title, why: "no-address" });
      return child.children.length > 0;
    });
  };
  prune(root);
  root.title = root.title.trim();
  return { root, passedOver, separator: "comma" };
}

/** Old programs call the address of a feed one of its own kind: `feed://site/`, `feed:https://site/`. */
export const asWeb = (address: string): string =>
  address
    .trim()
    .replace(/^feed:(?:\/\/)?(?=https?:)/i, "")
    .replace(/^feed:\/\//i, "https://");

/** "/Science/Bogs,/Moss": slash-separated paths, of which the last step is the word. */
const categories = (text: string | undefined) =>
  (text ?? "")
    .split(",")
    .map((path) => path.split("/").filter(Boolean).at(-1) ?? "")
    .filter(Boolean)
    .join(",");

function date(text: string | undefined): Date | null {
  const time = Date.parse(text ?? "");
  return Number.isNaN(time) ? null : new Date(time);
}
