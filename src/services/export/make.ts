import type { Readable } from "node:stream";
import type { Actor } from "@/mechanism/actor";
import { checkInput } from "@/mechanism/input";
import { database } from "@/mechanism/changing";
import { zipped } from "@/outside/zip";
import { exportCollection } from "./collection";
import { DOCUMENT_FORMATS, documentOf, ExportDocument, exportDocument } from "./document";
import { cartridgeFiles, exportFolder, folderFiles } from "./folder";
import { noteTaken } from "./note-taken";
import type { Patience } from "./pages";

/** A file that has been made, or is while it is read. */
export type Made = { name: string; type: string; content: string | Buffer | Readable };

/**
 * A collection as a file in whatever format, for whoever may have it.
 * @param asked the collection, the format, and what can be set for it, as the action behind the format takes it
 * @throws {Problem} as that action says it
 */
export async function makeFile(
  actor: Actor,
  asked: Record<string, unknown>,
  patience: Patience,
): Promise<Made> {
  const made = await fileOf(actor, asked, patience);
  await noteTaken(actor, { collection: String(asked.collection) }, String(asked.format));
  return made;
}

async function fileOf(actor: Actor, asked: Record<string, unknown>, patience: Patience): Promise<Made> {
  const { collection, format, placements, style, paper, edition, copies, look } = asked;
  const some = (fields: Record<string, unknown>) =>
    Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));
  const chosen = { collection, ...some({ placements, style }) };
  if (format === "folder" || format === "cartridge") {
    const going = await exportFolder.call(actor, { ...chosen, ...some({ edition }) });
    const isPages = format === "folder";
    const files = isPages ? folderFiles(going, copies === "all" ? "all" : "shown") : cartridgeFiles(going);
    const name = `${going.name}.${isPages ? "zip" : "imscc"}`;
    return { name, type: "application/zip", content: zipped(counted(files, patience), going.at) };
  }
  if (!DOCUMENT_FORMATS.includes(String(format))) return exportCollection.call(actor, { ...chosen, format });
  const input = { ...chosen, format, ...some({ paper, look, ...(format === "epub" && { copies }) }) };
  await exportDocument.decide(actor, input);
  const { bytes, ...file } = await documentOf(database(), checkInput(ExportDocument, input), patience);
  return { ...file, content: bytes };
}

async function* counted<T>(files: Iterable<T> | AsyncIterable<T>, { tell }: Patience): AsyncGenerator<T> {
  let done = 0;
  for await (const one of files) {
    tell("packing", done++);
    yield one;
  }
}
