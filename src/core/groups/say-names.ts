/**
 * Names one after the other, in words that stay short.
 * @example
 * sayNames(["Ada", "Ben"]); // "Ada, Ben"
 */
export const sayNames = (names: readonly string[]): string =>
  names.length <= 5 ? names.join(", ") : `${names.length}: ${names.slice(0, 5).join(", ")} and others`;
