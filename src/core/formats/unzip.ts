import { Unzip, UnzipInflate, UnzipPassThrough } from "fflate";

/** Thrown for archives that are broken, or would become too much. */
export class NotUnpacked extends Error {}

type Bounds = {
  /** Bytes that may come out of all files together, those that are not wanted too. */
  bytes: number;
  files: number;
};
/** How much of an archive is taken in at once; so much more than the bound may be unpacked at the most, times a thousand. */
const PIECE = 16_384;

/**
 * Unpacks files of a ZIP archive, piece by piece: what comes out is counted as it comes, because an archive can say
 * anything of its sizes.
 * @param archive all of it
 * @param wanted whether a file is wanted, by its name; all others are only counted
 * @param bounds beyond which nothing is unpacked any more
 * @returns the wanted files by name, and the names of all
 * @throws {NotUnpacked}
 */
export function unzipWithin(
  archive: Uint8Array,
  wanted: (name: string) => boolean,
  bounds: Bounds,
): { files: Map<string, Uint8Array>; names: Set<string> } {
  const names = new Set<string>();
  const parts = new Map<string, Uint8Array[]>();
  let bytes = 0;
  const failures: Error[] = [];
  const unzip = new Unzip((file) => {
    names.add(file.name);
    if (names.size > bounds.files) throw new NotUnpacked("too many files");
    const kept: Uint8Array[] | null = wanted(file.name) ? [] : null;
    if (kept) parts.set(file.name, kept);
    file.ondata = (error, piece) => {
      // What is thrown below comes back here, because the package catches it.
      if (error) return void failures.push(error);
      bytes += piece.length;
      if (bytes > bounds.bytes) throw new NotUnpacked("too much in it");
      kept?.push(piece.slice());
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  unzip.register(UnzipPassThrough);
  try {
    for (let at = 0; at < archive.length && !failures.length; at += PIECE)
      unzip.push(archive.subarray(at, at + PIECE), at + PIECE >= archive.length);
  } catch (error) {
    failures.push(error as Error);
  }
  const bound = failures.find((error) => error instanceof NotUnpacked);
  if (bound) throw bound;
  if (failures.length || !names.size) throw new NotUnpacked("a broken archive");
  return { files: new Map([...parts].map(([name, pieces]) => [name, joined(pieces)])), names };
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}
