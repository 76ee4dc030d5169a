import { readAddress } from "../address/read-address";

/** A link in a page that leads nowhere: what it is called there, and where it leads. */
export type DeadInside = { title: string; address: string };

/**
 * Which of the links in a page are asked whether they lead anywhere: those that lead out of it, each once, in their order.
 * @param links as they stand in its reading copy
 * @param own the address of the page
 */
export function linksToAsk(
  links: readonly { title: string; address: string }[],
  own: string,
  most: number,
): DeadInside[] {
  const plain = (address: string) => address.replace(/#.*$/, "");
  const found = new Map<string, DeadInside>();
  for (const { title, address } of links) {
    const read = readAddress(address);
    if (!read.ok || !/^https?:/i.test(read.address) || plain(read.address) === plain(own)) continue;
    if (!found.has(plain(read.address))) found.set(plain(read.address), { title, address: read.address });
    if (found.size >= most) break;
  }
  return [...found.values()];
}
