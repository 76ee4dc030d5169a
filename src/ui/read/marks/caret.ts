/** Where in the text a point of the screen is. */
export function caretAt(x: number, y: number): { node: Node; offset: number } | null {
  const place = document.caretPositionFromPoint?.(x, y);
  if (place) return { node: place.offsetNode, offset: place.offset };
  const range = document.caretRangeFromPoint?.(x, y);
  return range ? { node: range.startContainer, offset: range.startOffset } : null;
}
