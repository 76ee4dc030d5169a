import { Postings } from "./postings";

/** Before every id. */
export const FIRST = "00000000-0000-0000-0000-000000000000";

/**
 * Postings a block has at the most. A block is written whole when one of its postings changes, so it is short; long
 * lists are read as hundreds of blocks in a row.
 */
export const FULL = 100;

/** A piece of the list of a term: the postings from the id `start` up to the start of the next block. */
export type Block = { start: string; postings: Postings };

/**
 * Works changes into the list of a term.
 * @param blocks those that the changes reach, in order: from the last that starts at or before the first change
 * @param changes weights as they shall be, 0 for what is to go
 * @returns blocks that are other or new now, starts of those that are gone, and by how many postings the list grew
 */
export function workIn(
  blocks: readonly Block[],
  changes: Postings,
): { written: Block[]; gone: string[]; grown: number } {
  // The first block may have gone, or there was none yet.
  const isBefore = changes.length > 0 && !(blocks.length && blocks[0]!.start <= changes.resourceAt(0));
  const all = isBefore ? [{ start: FIRST, postings: Postings.NONE }, ...blocks] : blocks;
  const written: Block[] = [];
  const gone: string[] = [];
  let grown = 0;
  let from = 0;
  all.forEach(({ start, postings }, i) => {
    const next = all[i + 1];
    const to = next ? changes.placeOf(next.start) : changes.length;
    const mine = changes.slice(from, to);
    from = to;
    if (!mine.length) return;
    const after = postings.with(mine);
    grown += after.length - postings.length;
    if (!after.length) {
      // A block that was never there has nothing to go.
      if (postings.length) gone.push(start);
      return;
    }
    const last = postings.length ? postings.resourceAt(postings.length - 1) : FIRST;
    const pieces = split(after, mine.resourceAt(0) > last);
    written.push(...pieces.map((piece, k) => ({ start: k ? piece.resourceAt(0) : start, postings: piece })));
  });
  return { written, gone, grown };
}

/**
 * In pieces that are not too long: full ones when what is new came to the end, as nearly always, because more will come
 * there; else equal ones, so that the next in the middle finds room.
 */
function split(postings: Postings, atEnd: boolean): Postings[] {
  const { length } = postings;
  const size = atEnd ? FULL : Math.ceil(length / Math.ceil(length / FULL));
  const pieces: Postings[] = [];
  for (let from = 0; from < length; from += size)
    pieces.push(postings.slice(from, Math.min(from + size, length)));
  return pieces;
}
