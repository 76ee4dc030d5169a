/**
 * The value of a head of an answer, as it may be sent back with the next request: letters of ASCII that can be seen, or nothing.
 * @param most longer ones are not kept
 */
export const keptHead = (value = "", most: number): string =>
  /^[\x20-\x7e]*$/.test(value) && value.length <= most ? value : "";
