import { snapped } from "@/core/marks/selectors";
import type { CopyMap } from "./copy-map";

export type Selected = { start: number; end: number };

/** What is selected at this moment; a key may come before the screen has heard of the one before it. */
export function selectedNow(map: CopyMap): Selected | null {
  const selection = document.getSelection();
  const range = selection?.rangeCount && !selection.isCollapsed ? selection.getRangeAt(0) : null;
  return range && placesOf(range, map);
}

/** What of a selection lies in the copy. */
function placesOf(range: Range, map: CopyMap): Selected | null {
  if (!range.intersectsNode(map.root)) return null;
  const whole = document.createRange();
  whole.selectNodeContents(map.root);
  const start =
    range.compareBoundaryPoints(Range.START_TO_START, whole) < 0
      ? 0
      : map.placeOf(range.startContainer, range.startOffset);
  const end =
    range.compareBoundaryPoints(Range.END_TO_END, whole) > 0
      ? map.text.length
      : map.placeOf(range.endContainer, range.endOffset);
  return start === null || end === null ? null : snapped(map.text, start, end);
}
