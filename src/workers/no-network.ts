/**
 * Stands in for the network packages that citation-js brings along: what is read here is text that is already here,
 * and nothing may be fetched on its behalf.
 */
function refuse(): never {
  throw new Error("Nothing is fetched while a file is read.");
}
refuse.Headers = globalThis.Headers;
export const Headers = globalThis.Headers;
export default refuse;
