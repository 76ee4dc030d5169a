import { readAddress } from "@/core/address/read-address";
import { bareLine, type BroughtLine } from "@/core/imports/brought";

/** A line of an import, as it is looked at before it is brought in. */
export type PreviewLine = BroughtLine & {
  state: "new" | "known" | "wrong";
  resource: string | null;
  out: boolean;
};

/** A line as it was read. What is no address stays out until it is mended. */
export const asPreview = (line: BroughtLine, right: boolean): PreviewLine => ({
  ...line,
  state: right ? "new" : "wrong",
  resource: null,
  out: !right,
});

/** Something that looks like an address and is none. */
export const wrongLine = (address: string): PreviewLine => asPreview(bareLine(address), false);

/** The lines with one of them changed. Another address is looked at anew: mended, the line comes in; broken, it stays out. */
export const editLine = (
  lines: readonly PreviewLine[],
  at: number,
  fields: Partial<PreviewLine>,
): PreviewLine[] =>
  lines.map((line, i) => {
    if (i !== at) return line;
    if (fields.address === undefined) return { ...line, ...fields };
    const { ok } = readAddress(fields.address);
    return { ...line, ...fields, state: ok ? "new" : "wrong", resource: null, out: !ok };
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
  lines.map(({ state, resource: _resource, out, ...line }) => ({
    ...line,
    ...(out && state !== "wrong" && { out }),
    place: line.place === null ? null : renamed[line.place]!,
  }));
