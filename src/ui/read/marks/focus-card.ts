import { holdLetters } from "../../shell/hold-letters";

/** The card of a mark that is seen: of the one in the margin and the one at the foot. */
export const cardOf = (id: string): HTMLElement | null => {
  const all = document.querySelectorAll<HTMLElement>(`[data-mark="${id}"]`);
  return [...all].find((one) => one.offsetParent !== null || one.getClientRects().length > 0) ?? null;
};
export const focusCard = (id: string | undefined) => {
  if (id) cardOf(id)?.focus();
};
/** Goes to where the note of a mark is written. */
export const focusNote = (id: string) => {
  const card = cardOf(id);
  const field = card?.querySelector("textarea");
  (field ?? card)?.focus();
  // Who comes to write goes on behind what stands there.
  field?.setSelectionRange(field.value.length, field.value.length);
};

/** So long the card of a mark may take to be there, in milliseconds. */
const PATIENCE = 3_000;

/** Does something with what is there in a moment: not before a frame has been drawn, and in the first in which it is. */
function onceThere<T>(find: () => T | null | undefined, go: (found: T) => void): void {
  const end = performance.now() + PATIENCE;
  const look = () => {
    const found = find();
    if (found) go(found);
    else if (performance.now() < end) requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
}

/** Goes to a card that comes in a moment. */
export const focusComing = (id: string): void =>
  onceThere(
    () => cardOf(id),
    (card) => card.focus(),
  );

/** Goes to the note of a mark that was just made, as soon as its card is there; what is typed until then is the note. */
export function focusNewNote(id: string): void {
  holdLetters();
  onceThere(
    () => cardOf(id)?.querySelector("textarea"),
    () => focusNote(id),
  );
}
