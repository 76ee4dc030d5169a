/** Shown of each sort; more letters narrow them. */
const MOST = 6;
const MOST_TAGS = 3;
/** Collections that stand there before anything is typed. */
const MOST_AT_FIRST = 12;
/** So many letters of a command mean it. */
const MEANT = 3;

type Here<C, T, E> = {
  /** What is typed, without blanks around it. */
  query: string;
  collections: readonly C[];
  tags: readonly T[];
  commands: readonly E[];
};
type Entries<C, T, E> = {
  /** Commands whose beginning is typed: they stand first. */
  meant: E[];
  collections: C[];
  tags: T[];
  others: E[];
};

/**
 * What stands in the palette by what is typed. Every word must be there, in any case; titles that begin with what is typed
 * stand first.
 */
export function paletteEntries<
  C extends { title: string },
  T extends { name: string },
  E extends { words: string },
>({ query, collections, tags, commands }: Here<C, T, E>): Entries<C, T, E> {
  const typed = query.toLocaleLowerCase();
  const words = typed.split(/\s+/);
  const fits = (name: string) => holdsAll(name, words);
  const begins = (name: string) => name.toLocaleLowerCase().startsWith(typed);
  const entries = commands.filter((one) => fits(one.words));
  const meant = entries.filter((one) => query.length >= MEANT && begins(one.words));
  return {
    meant,
    collections: collections
      .filter((one) => fits(one.title))
      .sort((a, b) => Number(begins(b.title)) - Number(begins(a.title)))
      .slice(0, query ? MOST : MOST_AT_FIRST),
    tags: query ? tags.filter((one) => fits(one.name)).slice(0, MOST_TAGS) : [],
    others: entries.filter((one) => !meant.includes(one)),
  };
}

const holdsAll = (name: string, words: readonly string[]) =>
  words.every((word) => name.toLocaleLowerCase().includes(word));

/**
 * Of what was found by its words somewhere, what is called so stands first: whoever types a title means it.
 * @param query what is typed
 */
export function calledSoFirst<R extends { title: string }>(results: readonly R[], query: string): R[] {
  const words = query.toLocaleLowerCase().split(/\s+/);
  const called = results.filter((one) => holdsAll(one.title, words));
  return [...called, ...results.filter((one) => !called.includes(one))];
}
