import { IsInt, Max, Min } from "class-validator";
import type { EditionContent } from "@/core/editions/content";
import { cartridgeOf } from "@/core/formats/cartridge";
import { folderOf, LETTERS } from "@/core/publish/folder";
import { editionByNumber, newestEdition } from "@/data/queries/editions";
import { reading } from "@/mechanism/action";
import { Id, MaybeOneOf, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { openFile, readStored } from "@/outside/files";
import { letterFiles } from "@/outside/files/letters";
import type { Packed } from "@/outside/zip";
import { contentNow } from "../editions/content-now";
import { contentOf } from "../editions/stored-content";
import { fileName } from "./tree";

class ExportFolder {
  @Id() collection: string;
  /** As it stood in the edition with this number. */
  @Optional() @IsInt() @Min(1) @Max(1_000_000) edition?: number;
}

export const exportFolder = reading({
  name: "export.folder",
  about:
    "A collection with everything inside as its readers are shown it, with the digests of its pictures, files and reading copies; /api/export/<collection>?format=folder gives it as pages in a ZIP that work without a net.",
  input: ExportFolder,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const { collection: id, edition } = input;
    if (edition !== undefined) {
      const found = await editionByNumber(tx, id, edition);
      if (!found) throw new Problem("not-found");
      return folderAnswer(await contentOf(found.digest), found.createdAt);
    }
    const newest = await newestEdition(tx, id, true);
    const before = newest && (await contentOf(newest.digest).catch(() => null));
    const at = now();
    return folderAnswer(await contentNow(tx, id, at, { before }), at);
  },
});

const folderAnswer = (content: EditionContent, at: Date) => ({
  name: fileName(content.collection.title),
  at,
  content,
});

/**
 * The files of that folder, each read when its turn has come; one that is gone from the store is left out.
 * @param copies whether every reading copy goes along, or only those readers are given anyway
 */
export function* folderFiles(
  { name, at, content }: ReturnType<typeof folderAnswer>,
  copies: "shown" | "all",
): Generator<Packed> {
  const folder = folderOf(content, at, copies);
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
export function* cartridgeFiles({ content }: ReturnType<typeof folderAnswer>): Generator<Packed> {
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
