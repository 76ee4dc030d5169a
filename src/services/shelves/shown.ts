import type { Listing } from "@/core/shelves/listing";
import type { ListedRow } from "@/data/queries/listings";
import { listingNow } from "./listed-words";

/** Of so many of one answer what is known is read anew, where it is old; the others come with the next one. */
const READ_ANEW = 5;

/** Public collections with what their readers are shown of them at this moment. */
export async function upToDate(rows: readonly ListedRow[]): Promise<(ListedRow & { content: Listing })[]> {
  let left = READ_ANEW;
  const all: (ListedRow & { content: Listing })[] = [];
  for (const row of rows) {
    const content = row.content ?? (left-- > 0 ? await listingNow(row.code) : null);
    if (content) all.push({ ...row, content });
  }
  return all;
}

/** What a list of public collections says of each. */
export const asCard = ({ id, team, teamName, code, since, content }: ListedRow & { content: Listing }) => ({
  ...{ id, team, teamName, code, since, title: content.title, description: content.description },
  ...{ count: content.count, minutes: content.minutes, use: content.use, language: content.language },
  ...{ tags: content.tags.slice(0, 5), cloth: content.cloth },
});
