import { IsInt, Max, Min } from "class-validator";
import { arranged } from "@/core/cite/arranged";
import type { StyleId } from "@/core/cite/styles";
import { treeAsPublished } from "@/core/editions/as-published";
import { type EditionContent, itemsIn, withInside, withOnly } from "@/core/editions/content";
import { cartridgeOf } from "@/core/formats/cartridge";
import { folderOf, LETTERS } from "@/core/publish/folder";
import { editionByNumber, newestEdition } from "@/data/queries/editions";
import { reading } from "@/mechanism/action";
import { Id, MaybeStyle, MaybeText, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { openFile, readStored } from "@/outside/files";
import { letterFiles } from "@/outside/files/letters";
import type { Packed } from "@/outside/zip";
import type { Tx } from "@/data/database";
import { contentNow } from "../editions/content-now";
import { contentOf } from "../editions/stored-content";
import { cited } from "../references/cited";
import { styleFor } from "../references/style-of";
import { fileName } from "./tree";
import { worksOf } from "./works";

class ExportFolder {
  @Id() collection: string;
  /** Only these items, by their ids with commas between; about 10,000. */
  @MaybeText(400_000) placements?: string;
  /** The style of a bibliography that goes along; without it there is none. */
  @MaybeStyle() style?: StyleId;
  /** As it stood in the edition with this number. */
  @Optional() @IsInt() @Min(1) @Max(1_000_000) edition?: number;
}

export const exportFolder = reading({
  name: "export.folder",
  about:
    "A collection with everything inside as its readers are shown it, with the digests of its pictures, files and reading copies; /api/export/<collection>?format=folder gives it as pages in a ZIP that work without a net.",
  input: ExportFolder,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => {
    const { collection: id, edition, placements } = input;
    const answer = async ({ collection }: EditionContent, at: Date) => {
      const whole = { form: 1 as const, collection };
      const some = placements && withOnly(collection, new Set(placements.split(",")));
      const content: EditionContent = some ? { ...whole, collection: some } : whole;
      const references = input.style ? await bibliographyOf(tx, content, at, input.style) : null;
      return { name: fileName(collection.title), at, content, references };
    };
    if (edition !== undefined) {
      const found = await editionByNumber(tx, id, edition);
      if (!found) throw new Problem("not-found");
      return answer(await contentOf(found.digest), found.createdAt);
    }
    const newest = await newestEdition(tx, id, true);
    const before = newest && (await contentOf(newest.digest).catch(() => null));
    const at = now();
    return answer(await contentNow(tx, id, at, { before }), at);
  },
});

/** The bibliography of what goes out, as it is known now. */
async function bibliographyOf(tx: Tx, content: EditionContent, at: Date, asked: StyleId) {
  const tree = treeAsPublished(content, { audience: "link", framedBy: "", keptAt: at });
  const works = await worksOf(tx, tree);
  const style = await styleFor(tx, content.collection.id, asked);
  const { references } = await cited(works, style, content.collection.language);
  const layout = { order: "style", by: "none", context: false } as const;
  return {
    style: style.name,
    groups: arranged(references, works, layout),
  };
}

/** What goes out: its name, when it was so, and what readers see. */
type Going = {
  name: string;
  at: Date;
  content: EditionContent;
  references: Awaited<ReturnType<typeof bibliographyOf>> | null;
};

/**
 * The files of that folder, each read when its turn has come; one that is gone from the store is left out.
 * @param copies whether every reading copy goes along, or only those readers are given anyway
 */
export async function* folderFiles(
  { name, at, content, references }: Going,
  copies: "shown" | "all",
): AsyncGenerator<Packed> {
  const captions = new Map<string, string>();
  for (const { captions: hash } of withInside(content.collection).flatMap(itemsIn)) {
    const said = hash && !captions.has(hash) ? await readStored(hash).catch(() => null) : null;
    if (said) captions.set(hash!, said.toString("utf8"));
  }
  const folder = folderOf(content, at, copies, captions, { references });
  for (const { path, text } of folder.pages) yield written(`${name}/${path}`, text);
  for (const { path, hash, draw } of folder.copies)
    yield {
      path: `${name}/${path}`,
      content: async () => {
        const text = await readStored(hash).catch(() => null);
        return text && new TextEncoder().encode(draw(text.toString("utf8")));
      },
    };
  for (const { path, hash } of folder.files) yield stored(`${name}/${path}`, hash);
  for (const { name: file, content } of letterFiles())
    yield { path: `${name}/${LETTERS}/${file}`, content, stored: true };
}

/** The files of the same for a learning platform (Common Cartridge). */
export function* cartridgeFiles({ content }: Going): Generator<Packed> {
  const cartridge = cartridgeOf(content);
  for (const { path, text } of cartridge.pages) yield written(path, text);
  for (const { path, hash } of cartridge.files) yield stored(path, hash);
}

const written = (path: string, text: string): Packed => ({
  path,
  content: () => Promise.resolve(new TextEncoder().encode(text)),
});
const stored = (path: string, hash: string): Packed => ({
  path,
  content: async () => (await openFile(hash).catch(() => null))?.stream ?? null,
  stored: true,
});
