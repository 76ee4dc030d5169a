/**
 * The tag files of a bag (BagIt 1.0, RFC 8493), as far as an archive has them: one manifest by SHA-256 that names every file
 * of the payload, and one that names the tag files.
 */
export const DECLARATION = "BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n";

/** What an archive says of itself (`data/archive.json`). */
export type ArchiveHead = {
  format: "hobbin-archive";
  /** Counts the ways in which archives were ever written. */
  version: number;
  team: string;
  at: string;
  /** In which style its works are cited; empty: none is set. */
  citationStyle: string;
  /** How many rows each table has. */
  tables: Record<string, number>;
};
export const ARCHIVE_VERSION = 2;

/** A line of a manifest: a carriage return, a line feed and a percent sign in a path are encoded (RFC 8493, 2.1.3). */
export const manifestLine = (hash: string, path: string): string =>
  `${hash}  ${path.replace(/[%\r\n]/g, (sign) => encodeURIComponent(sign))}\n`;

/** What a manifest names; null when it cannot be read, or names a path that leads out of the bag, or one twice. */
export function readManifest(text: string): Map<string, string> | null {
  const found = new Map<string, string>();
  for (const line of text.split("\n")) {
    if (!line) continue;
    const [, hash, written] = /^([\da-f]{64})\s+\*?(.+?)\r?$/i.exec(line) ?? [];
    if (!hash || !written) return null;
    const path = written.replace(/%(0D|0A|25)/gi, (code) => decodeURIComponent(code));
    if (!isInside(path) || found.has(path)) return null;
    found.set(path, hash.toLowerCase());
  }
  return found;
}

/** Whether a path stays within the bag: relative, without steps up, by no other system's ways. */
export const isInside = (path: string): boolean =>
  path !== "" &&
  !/^[/~]|\\|^[a-z]:/i.test(path) &&
  !path.split("/").some((step) => step === ".." || step === "." || step === "");

/** `bag-info.txt` (RFC 8493, 2.2.2). @param octets of the payload, @param streams how many files it has */
export const bagInfo = (team: string, at: Date, octets: number, streams: number): string =>
  [
    `External-Description: Everything of the team “${team.replace(/\s+/g, " ")}”`,
    `Bagging-Date: ${at.toISOString().slice(0, 10)}`,
    "Bag-Software-Agent: Hobbin",
    `Payload-Oxum: ${octets}.${streams}`,
    "",
  ].join("\n");
