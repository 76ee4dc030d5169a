/**
 * What the token of a paired browser is for: bringing things in, or marks on the pages themselves. Each is paired for by
 * itself and is revoked by itself.
 */
export const PAIRED_FOR = ["capture", "marks"] as const;
export type PairedFor = (typeof PAIRED_FOR)[number];

const MAY: Record<PairedFor, ReadonlySet<string>> = {
  /** Bring in, and read what its window needs. */
  capture: new Set([
    "capture.address",
    "capture.file",
    "capture.note",
    "capture.page",
    "collections.sections",
    "collections.tree",
    "events.recent",
    "files.begin",
    "imports.add-lines",
    "imports.read",
    "imports.set",
    "imports.stage",
    "placements.remove",
    "resources.known",
    "resources.remove",
    "tags.add",
    "tags.read",
    "teams.read",
    "tray.set",
  ]),
  /** Read the marks of a page one is on, make some, and take back one's own. */
  marks: new Set(["marks.on-page", "marks.add", "marks.remove"]),
};

/** Whether a token that is for this may do that. */
export const isWithin = (only: PairedFor, action: string): boolean => MAY[only].has(action);
