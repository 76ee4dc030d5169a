import { isMailAddress } from "../newsletter/mail-address";

/** So many are invited at once. */
export const MOST_ADDRESSES = 200;

/**
 * The mail addresses in something pasted: a list, a column of a table, the heads of a letter. Names beside them fall away.
 * @param text as it was pasted or typed
 * @returns each once, whatever its case, in their order; and what has an @ and is no address
 * @example
 * addressesIn("Ada Fen <ada@bog.example>; ben@"); // { addresses: ["ada@bog.example"], wrong: ["ben@"] }
 */
export function addressesIn(text: string): { addresses: string[]; wrong: string[] } {
  const found = new Map<string, string>();
  const wrong = new Set<string>();
  for (const piece of text.split(/[\s,;<>()[\]"|]+/)) {
    if (!piece.includes("@")) continue;
    const address = piece.replace(/^mailto:/i, "").replace(/^[.:]+|[.:]+$/g, "");
    if (!isMailAddress(address)) wrong.add(piece);
    else if (!found.has(address.toLowerCase())) found.set(address.toLowerCase(), address);
  }
  return { addresses: [...found.values()], wrong: [...wrong] };
}
