import { createHash } from "node:crypto";
import { pipeline } from "node:stream/promises";
import { ARCHIVE_VERSION, type ArchiveHead, readManifest } from "@/core/archive/bag";
import { ArchiveRefused } from "@/data/archive/read-row";
import type { Unpacked } from "@/outside/unzip";

/** A manifest of a million files. */
const MOST_MANIFEST = 200_000_000;
const SMALL = 5_000_000;
/** So many times as large something packed may be unpacked. */
const MOST_PACKED = 60;

export type Bag = {
  /** Where it lies in the ZIP, with the slash. */
  root: string;
  head: ArchiveHead;
  /** SHA-256 of every file of the payload, by its path in the bag. */
  sums: ReadonlyMap<string, string>;
};

/**
 * Looks a bag over before anything of it is taken: that it is one (RFC 8493, 3), whole, and as its manifest says, byte by
 * byte.
 * @param packed how many bytes the ZIP has
 * @throws {ArchiveRefused} with what is wrong
 */
export async function checkBag(zip: Unpacked, packed: number): Promise<Bag> {
  const declared = [...zip.files.keys()].filter((path) => /^[^/]+\/bagit\.txt$/.test(path));
  if (declared.length !== 1)
    throw new ArchiveRefused("This is no archive of a team: there is no bagit.txt in it.");
  let bytes = 0;
  for (const length of zip.files.values()) bytes += length;
  // What is packed by tables and texts is a twentieth of them at the least.
  if (bytes > packed * MOST_PACKED + SMALL)
    throw new ArchiveRefused("This archive is built to be large, and is not opened.");
  const root = declared[0]!.slice(0, -"bagit.txt".length);
  const text = async (name: string, most: number) => {
    const found = await zip.read(root + name, most).catch(() => null);
    if (!found) throw new ArchiveRefused(`The archive is not whole: ${name} is missing, or cannot be read.`);
    return found.toString("utf8");
  };
  if (!/^BagIt-Version: (0\.97|1\.0)\r?\n/.test(await text("bagit.txt", 10_000)))
    throw new ArchiveRefused("This bag is of a version nobody here knows.");
  const sums = readManifest(await text("manifest-sha256.txt", MOST_MANIFEST));
  if (!sums) throw new ArchiveRefused("The list of what is in the archive cannot be read.");
  const lying = [...zip.files.keys()].filter((path) => path.startsWith(`${root}data/`));
  for (const path of lying)
    if (!sums.has(path.slice(root.length)))
      throw new ArchiveRefused(`The archive has a file its list does not name: ${path.slice(root.length)}.`);
  for (const [path, sum] of sums) {
    if (!zip.files.has(root + path))
      throw new ArchiveRefused(`The archive is not whole: ${path} is missing.`);
    const hash = createHash("sha256");
    await pipeline(await zip.stream(root + path), hash).catch(() => {
      throw new ArchiveRefused(`The archive is damaged: ${path} cannot be read.`);
    });
    if (hash.digest("hex") !== sum)
      throw new ArchiveRefused(`The archive is damaged: ${path} is not what its list says.`);
  }
  const head = asHead(await text("data/archive.json", SMALL));
  if (head.version > ARCHIVE_VERSION)
    throw new ArchiveRefused("This archive was made by a newer Hobbin. Bring this one up to date first.");
  return { root, head, sums };
}

function asHead(text: string): ArchiveHead {
  try {
    const head = JSON.parse(text) as Partial<ArchiveHead>;
    if (head.format === "hobbin-archive" && Number.isInteger(head.version))
      return {
        ...{
          format: head.format,
          version: head.version!,
          at: String(head.at),
          team: String(head.team ?? ""),
        },
        ...{ citationStyle: String(head.citationStyle ?? ""), tables: head.tables ?? {} },
      };
  } catch {
    // Said below.
  }
  throw new ArchiveRefused("This bag is no archive of a team.");
}
