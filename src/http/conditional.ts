/** An entity-tag, weak or strong, without its `W/` (RFC 9110 §8.8.3). */
const TAGS = /(?:W\/)?("[^"]*")/g;
const opaque = (etag: string) => etag.replace(/^W\//, "");

/**
 * Whether somebody has already what there is: If-None-Match, compared weakly (RFC 9110 §13.1.2, §8.8.3.2).
 * @param header as it was sent, or nothing
 * @param etag of what would be sent, with its quotation marks
 */
export function hasAlready(header: string | null | undefined, etag: string): boolean {
  if (!header) return false;
  if (header.trim() === "*") return true;
  const wanted = opaque(etag);
  for (const [, tag] of header.matchAll(TAGS)) if (tag === wanted) return true;
  return false;
}

/**
 * Whether the range somebody asks for is one of what there is: If-Range, compared strongly (RFC 9110 §13.1.5). A date
 * holds for nothing here, because nothing is sent with one.
 * @param header as it was sent, or nothing, which holds
 * @param etag of what would be sent, with its quotation marks
 */
export const isRangeOf = (header: string | null | undefined, etag: string): boolean =>
  !header || (header.trim() === etag && !etag.startsWith("W/"));
