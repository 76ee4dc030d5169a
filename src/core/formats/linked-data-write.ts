import { linkedData } from "../publish/linked-data";
import type { PublishedTree } from "../publish/model";

/**
 * The collection with those that stand in it as JSON-LD 1.1 by the terms of schema.org.
 * @param tree what goes out; collections are named by their ids (RFC 9562), since a file has no address
 */
export const writeLinkedData = (tree: PublishedTree): string =>
  `${JSON.stringify({ "@context": "https://schema.org", ...described(tree) }, null, 2)}\n`;

const described = ({ collection, inside }: PublishedTree): ReturnType<typeof linkedData> =>
  linkedData(collection, { id: `urn:uuid:${collection.id}` }, inside.map(described));
