import { Problem } from "@/mechanism/problem";

/**
 * Whether something can be suggested at a page now.
 * @param at the time it is
 */
export const takesNow = ({ open, until }: { open: boolean; until: Date | null }, at: Date): boolean =>
  open && (until === null || until > at);

/** @throws {Problem} suggestions-closed */
export function mustTake(page: { open: boolean; until: Date | null }, at: Date): void {
  if (!takesNow(page, at)) throw new Problem("suggestions-closed");
}
