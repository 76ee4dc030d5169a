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
