import { Parser } from "htmlparser2";
import {
  bareLink,
  emptyFolder,
  type ImportedFile,
  type ImportedFolder,
  type ImportedLink,
  type PassedOver,
} from "./imported";

/**
 * Reads a browser bookmark file into its tree of folders. Takes what browsers and other tools write: unclosed
 * tags, any case, notes after links and folders. Entries that are no web address (scripts, browser pages) stay
 * out and are named.
 * @param file the text of the file
 */
export function readBookmarks(file: string): ImportedFile {
  const root = emptyFolder();
  const stack: ImportedFolder[] = [root];
  const passedOver: PassedOver[] = [];
  /** An entry that stays out and whose words come yet. */
  let out: PassedOver | null = null;
  let folderToOpen: ImportedFolder | null = null;
  let last: ImportedFolder | ImportedLink | null = null;
  let into: { kind: "h1" | "h3" | "a" | "dd"; text: string } | null = null;

  const endText = () => {
    if (!into) return;
    const text = into.text.trim();
    if (into.kind === "h1") root.title ||= text;
    else if (into.kind === "h3" && last?.type === "folder") last.title = text;
    else if (into.kind === "a" && out) {
      // A bookmarklet can be as long as a page.
      out.text = [text, out.text.slice(0, 500)].filter(Boolean).join(" ");
      out = null;
    } else if (into.kind === "a" && last?.type === "link") {
      if (last.title) last.heading = text;
      else last.title = text;
    } else if (into.kind === "dd" && last) {
      if (last.type === "link") last.context = text;
      else last.description = text;
    }
    into = null;
  };

  const parser = new Parser({
    onopentag(name, at) {
      // Marks within words are none of the list's own.
      if (!OWN.has(name)) {
        if (into && name === "br") into.text += into.kind === "dd" ? "\n" : " ";
        return;
      }
      endText();
      const top = stack[stack.length - 1]!;
      if (name === "h1") into = { kind: "h1", text: "" };
      else if (name === "h3") {
        folderToOpen = {
          ...emptyFolder(),
          addedAt: time(at.add_date),
          section: at["data-part"] === "section",
        };
        top.children.push(folderToOpen);
        last = folderToOpen;
        into = { kind: "h3", text: "" };
      } else if (name === "dl") {
        if (folderToOpen) stack.push(folderToOpen);
        else if (stack.length > 1) stack.push(top);
        else stack.push(root);
        folderToOpen = null;
      } else if (name === "a") {
        if (/^\s*https?:\/\//i.test(at.href ?? "")) {
          last = bareLink(at.href!, {
            title: at["data-title"] ?? "",
            tagText: at.tags ?? "",
            addedAt: time(at.add_date),
          });
          top.children.push(last);
          into = { kind: "a", text: "" };
        } else {
          last = null;
          out = { text: at.href ?? "", why: at.href ? "not-web" : "no-address" };
          passedOver.push(out);
          into = { kind: "a", text: "" };
        }
      } else if (name === "dd") into = { kind: "dd", text: "" };
    },
    ontext(text) {
      if (into) into.text += text;
    },
    onclosetag(name, implied) {
      if (name === "a" || name === "h1" || name === "h3") endText();
      if (name === "dl" && !implied) {
        endText();
        last = null;
        if (stack.length > 1) stack.pop();
      }
    },
  });
  parser.end(file);
  endText();
  return { root, passedOver };
}

/** What a list of bookmarks is made of. */
const OWN = new Set(["h1", "h3", "dl", "dt", "dd", "a"]);

/** From 1601, by which some browsers count, to 1970, in seconds. */
const FROM_1601 = 11_644_473_600;

/** Browsers write seconds, some tools milliseconds or microseconds since 1970, or microseconds since 1601. */
function time(value: string | undefined): Date | null {
  let number = Number(value);
  if (!value || !Number.isFinite(number) || number <= 0) return null;
  while (number > 1e11) number /= 1000;
  return new Date(Math.floor(number > FROM_1601 ? number - FROM_1601 : number) * 1000);
}
