import { NodeCompiler } from "@myriaddreamin/typst-ts-node-compiler";
import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { clothInLight } from "@/core/cover/in-light";
import type { Pictures, Printed } from "@/core/formats/printed/model";
import { PDF_TEMPLATE } from "@/core/formats/printed/pdf-template";

export type Paper = "a4" | "us-letter";
export type PdfTask = {
  printed: Printed;
  paper: Paper;
  /** The bytes of the pictures, JPEG, by their hashes. */
  pictures: Pictures;
  /** Folders with letters for what ours do not have. */
  fonts: readonly string[];
};

/** Where the letters of our own lie, whole: the readers' pages have theirs cut. */
const LETTERS = "build/letters/print";

let compiler: { made: NodeCompiler; fonts: string; workspace: string } | undefined;

/** Reading all letters of a machine takes a while, so it is done once a thread. */
function compilerWith(fonts: readonly string[]) {
  const key = fonts.join(" ");
  if (compiler?.fonts !== key) {
    const own = readdirSync(LETTERS).sort();
    // Typst reads nothing outside of it, and in it there are letters alone.
    const workspace = path.resolve(LETTERS);
    compiler = {
      ...{ fonts: key, workspace },
      made: NodeCompiler.create({
        workspace,
        fontArgs: [
          { fontBlobs: own.map((name) => readFileSync(path.join(LETTERS, name))) },
          { fontPaths: [...fonts] },
        ],
      }),
    };
  }
  return compiler;
}

/**
 * Sets a document on pages: tagged, and as PDF/UA-1 where nothing stands in the way. A letter no font has, or a picture that
 * is none, does not keep anybody from their document.
 */
export default function work({ printed, paper, pictures, fonts }: PdfTask): Uint8Array {
  const { made, workspace } = compilerWith(fonts);
  made.resetShadow();
  const drawn = new Set<string>();
  for (const [hash, bytes] of Object.entries(pictures))
    if (isJpeg(bytes)) {
      made.mapShadow(path.join(workspace, "p", `${hash}.jpg`), Buffer.from(bytes));
      drawn.add(hash);
    }
  const compile = (withPictures: boolean, standard: string | undefined) => {
    const data = JSON.stringify({
      ...printed,
      ...{ paper, sheet: printed.sheet ? { head: printed.sheet.head, at: printed.sheet.at } : null },
      parts: printed.parts.map((part) => ({
        ...part,
        cloth: part.cloth.threads.length ? clothInLight(part.cloth.threads, part.cloth.tags, 640, 46) : "",
        sections: part.sections.map((section) => ({
          ...section,
          entries: section.entries.map((one) => ({
            ...one,
            code: printed.sheet?.codes[one.address] ?? "",
            picture: one.picture && withPictures && drawn.has(one.picture.hash) ? one.picture : null,
          })),
        })),
      })),
    });
    return made.pdf({ mainFileContent: PDF_TEMPLATE, inputs: { data } }, { pdfStandard: standard });
  };
  try {
    return attempt([
      () => compile(true, "ua-1"),
      () => compile(true, undefined),
      () => compile(false, "ua-1"),
      () => compile(false, undefined),
    ]);
  } finally {
    made.resetShadow();
    made.evictCache(0);
  }
}

/** The first of these that goes. @throws what the last one threw */
function attempt(ways: readonly (() => Uint8Array)[]): Uint8Array {
  let last: unknown;
  for (const way of ways)
    try {
      return way();
    } catch (error) {
      last = error;
    }
  throw new Error(`this cannot be set on pages: ${String(last)}`, { cause: last });
}

/** ITU-T T.81, B.1.1.3: the start of an image, and the next marker. */
const isJpeg = (bytes: Uint8Array): boolean => bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;
