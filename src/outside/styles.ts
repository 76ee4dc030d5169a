import { open, readdir } from "node:fs/promises";
import path from "node:path";
import { isOwnStyle, isShipped, isStyleId, type StyleId, STYLES } from "@/core/cite/styles";
import { type StyleInfo, styleInfo } from "@/core/cite/style-info";
import { settings } from "./settings";

/** Where the styles that come with Hobbin lie. */
const SHIPPED = "assets/csl/styles";

/** A style on this machine: what it is called, and where it lies. One that only names another lies where that one does. */
export type StyleFile = { id: StyleId; name: string; file: string };
/** The same in the list, folded to be looked for. */
type Listed = { id: StyleId; name: string; folded: string };

/** The `info` of a style stands at its beginning. */
const BEGINNING = 6_000;
const AT_ONCE = 64;
/** Where the CSL project and Debian put those that only name another. */
const DEPENDENT = "dependent";

const fold = (words: string) => words.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();

let list: Promise<Listed[]> | undefined;

/** The styles of the folder that is set, read once; ten thousand take about a second. */
function installed(): Promise<Listed[]> {
  list ??= read(settings().styles).catch(() => []);
  return list;
}

async function read(folder: string): Promise<Listed[]> {
  if (!folder) return [];
  const names = [
    ...(await readdir(folder)),
    ...(await readdir(path.join(folder, DEPENDENT)).catch(() => [])),
  ];
  const ids = names
    .filter((name) => name.endsWith(".csl"))
    .map((name) => name.slice(0, -4))
    .filter((id) => isStyleId(id) && !isOwnStyle(id) && !isShipped(id));
  const found: Listed[] = [];
  for (let i = 0; i < ids.length; i += AT_ONCE) {
    const part = ids.slice(i, i + AT_ONCE);
    const infos = await Promise.all(part.map((id) => placed(id, folder)));
    infos.forEach((one, k) => {
      const name = one?.info.title;
      if (name) found.push({ id: part[k]!, name, folded: fold(`${name} ${part[k]}`) });
    });
  }
  return found.sort((a, b) => (a.folded < b.folded ? -1 : 1));
}

/** The file of a style, and what it says of itself; styles that only name another may lie in a folder of their own. */
async function placed(id: StyleId, folder: string): Promise<{ file: string; info: StyleInfo } | null> {
  for (const file of [path.join(folder, `${id}.csl`), path.join(folder, DEPENDENT, `${id}.csl`)]) {
    const info = await beginning(file).catch(() => null);
    if (info) return { file, info };
  }
  return null;
}

async function beginning(file: string): Promise<StyleInfo | null> {
  const handle = await open(file);
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(BEGINNING), 0, BEGINNING, 0);
    return styleInfo(buffer.toString("utf8", 0, bytesRead));
  } finally {
    await handle.close();
  }
}

/**
 * The installed styles with all of these words in their names, those that begin with them first.
 * @returns at most `most`, and how many there are to be looked through
 */
export async function findInstalled(
  words: string,
  most: number,
): Promise<{ found: { id: StyleId; name: string }[]; of: number }> {
  const all = await installed();
  const asked = fold(words).trim();
  const parts = asked.split(/\s+/).filter(Boolean);
  if (!parts.length) return { found: [], of: all.length };
  const hits = all.filter((one) => parts.every((part) => one.folded.includes(part)));
  // The one that is called so, those that begin so, the others.
  const rank = ({ name, folded }: Listed) => (fold(name) === asked ? 0 : folded.startsWith(asked) ? 1 : 2);
  const found = hits
    .map((one) => ({ one, at: rank(one) }))
    .sort((a, b) => a.at - b.at)
    .slice(0, most);
  return { found: found.map(({ one: { id, name } }) => ({ id, name })), of: all.length };
}

/** A style that comes with Hobbin or is installed beside it; null: there is none of this id. */
export async function styleFile(id: StyleId): Promise<StyleFile | null> {
  if (!isStyleId(id)) return null;
  const shipped = STYLES.find(([one]) => one === id);
  if (shipped) return { id, name: shipped[1], file: path.join(SHIPPED, `${id}.csl`) };
  const folder = settings().styles;
  if (!folder) return null;
  const found = await placed(id, folder);
  if (!found) return null;
  const { info, file } = found;
  if (info.parent === null) return { id, name: info.title, file };
  // One step: what another only names stands for itself.
  const parent = isStyleId(info.parent) ? await fileOf(info.parent, folder) : null;
  return parent === null ? null : { id, name: info.title, file: parent };
}

async function fileOf(id: StyleId, folder: string): Promise<string | null> {
  if (isShipped(id)) return path.join(SHIPPED, `${id}.csl`);
  const found = await placed(id, folder);
  return found?.info.parent === null ? found.file : null;
}
