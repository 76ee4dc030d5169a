import { readAddress } from "@/core/address/read-address";
import type { AddressSaid } from "@/workers/read-import-file";
import { bareLine, type BroughtLine } from "@/core/imports/brought";

/** A line of an import, as it is looked at before it is brought in. */
export type PreviewLine = BroughtLine & {
  state: "new" | "known" | "wrong";
  resource: string | null;
  out: boolean;
  /** A line before it has the same address. */
  again: boolean;
};

/** A line as it was read. What is no address stays out until it is mended. */
export const asPreview = (line: BroughtLine, said: AddressSaid): PreviewLine => ({
  ...line,
  state: said === "wrong" ? "wrong" : "new",
  resource: null,
  out: said === "wrong",
  again: said === "again",
});

/** How many addresses of each state there are: what stands in two folders is one. */
export function countAddresses(lines: readonly PreviewLine[]) {
  const counts = { new: 0, known: 0, wrong: 0, again: 0 };
  for (const line of lines) counts[line.again ? "again" : line.state]++;
  return counts;
}

/** Something that looks like an address and is none. */
export const wrongLine = (address: string): PreviewLine => asPreview(bareLine(address), "wrong");

/** The lines with one of them changed. Another address is looked at anew: mended, the line comes in; broken, it stays out. */
export const editLine = (
  lines: readonly PreviewLine[],
  at: number,
  fields: Partial<PreviewLine>,
): PreviewLine[] =>
  lines.map((line, i) => {
    if (i !== at) return line;
    if (fields.address === undefined) return { ...line, ...fields };
    const read = readAddress(fields.address);
    const found = { ...line, ...fields, resource: null, out: !read.ok, again: false };
    return read.ok ? { ...found, address: read.address, state: "new" } : { ...found, state: "wrong" };
  });

/**
 * The lines with what the team has already marked as known.
 * @param asked the addresses that were asked for, line by line; one that was changed since is another one
 * @param known the resource of each, or null
 */
export const markKnown = (
  lines: readonly PreviewLine[],
  asked: readonly string[],
  known: readonly (string | null)[],
): PreviewLine[] =>
  lines.map((line, i) =>
    known[i] && line.state === "new" && line.address === asked[i]
      ? { ...line, state: "known", resource: known[i]! }
      : line,
  );

/**
 * The lines as they are sent: what was left out is noted, and what is no address comes back as lines to mend.
 * @param renamed where each place of the file has gone
 */
export const readyLines = (
  lines: readonly PreviewLine[],
  renamed: readonly (number | null)[],
): BroughtLine[] =>
  lines.map(({ state, resource: _resource, again: _again, out, ...line }) => ({
    ...line,
    ...(out && state !== "wrong" && { out }),
    place: line.place === null ? null : renamed[line.place]!,
  }));
