import {
  type PublishedCollection,
  type PublishedItem,
  sumUp,
  type TheirItem,
  type Theirs,
} from "../publish/model";
import { clothOfAll } from "../publish/reader-course";

/** So many items of others are shown on one page of ours; where there are more, it leads to them. */
export const MOST_OF_THEIRS = 200;

/**
 * What is shown of a collection of others: its items, with their headings and context lines. What is shown live in it in
 * turn is an item that leads there and no more, so that two that show each other end.
 * @param most how many items
 */
export function theirsOf(collection: PublishedCollection, code: string, most: number): Theirs {
  let left = most;
  const sections = collection.sections.map(({ title, items }) => {
    const some = items.filter((item) => item.look === "item").slice(0, left);
    left -= some.length;
    return { title, items: some.map(theirItem) };
  });
  const shown = most - left;
  const { title, teamName, inside } = collection;
  return {
    ...{ code, title, teamName, sections: sections.filter((one) => one.items.length) },
    more: { items: sumUp(collection.sections).items - shown, inside: inside.length },
  };
}

const theirItem = ({
  heading,
  title,
  id,
  kind,
  context,
  address,
  siteName,
  host,
  minutes,
  language,
}: PublishedItem): TheirItem => ({
  ...{ id, kind, title: heading || title, context, address, siteName, host, minutes },
  language: heading ? null : language,
});

/**
 * An item that shows a collection of others, as its readers get it now.
 * @param home where this Hobbin is found
 * @param most how many items of it at most
 */
export function showing(
  item: PublishedItem,
  theirs: { collection: PublishedCollection; code: string },
  home: string,
  most: number,
): PublishedItem {
  const { collection, code } = theirs;
  const { items: count, minutes } = sumUp(collection.sections);
  return {
    ...item,
    ...{ title: collection.title, description: collection.description, siteName: collection.teamName },
    ...{ address: `${home}/c/${code}`, picture: null, copy: null, minutes: minutes || null },
    opens: { count, minutes, cloth: clothOfAll(collection) },
    theirs: theirsOf(collection, code, most),
  };
}
