/** What somebody suggests, as far as words and sites can be looked for in it. */
export type Offered = { name: string; address: string; title: string; text: string; why: string };

/** So many words and sites are looked for; more are passed over. */
const MOST_HOLDS = 200;

/**
 * Why something waits for a look although things are let in at once: the word or the site it has in it. Words are found as
 * whole words whatever their case, sites with all that belongs to them.
 * @param list words and sites, by commas or one a line
 * @returns the first of the list, as it stands there; null when there is none of them
 * @example
 * heldFor("casino, ads.example", { …, address: "https://www.ads.example/x" }); // "ads.example"
 */
export function heldFor(list: string, offered: Offered): string | null {
  const wanted = holdsOf(list);
  if (!wanted.length) return null;
  const words = folded([offered.name, offered.title, offered.text, offered.why].join(" "));
  const host = hostOf(offered.address);
  const found = wanted.find((one) =>
    isSite(one)
      ? host === one.toLowerCase() || host.endsWith(`.${one.toLowerCase()}`)
      : words.includes(folded(one)),
  );
  return found?.slice(0, 80) ?? null;
}

/** The words and sites of a list, each once. */
const holdsOf = (list: string): string[] =>
  [
    ...new Set(
      list
        .split(/[,\n]/)
        .map((one) => one.trim())
        .filter((one) => isSite(one) || /[\p{L}\p{N}]/u.test(one)),
    ),
  ].slice(0, MOST_HOLDS);

const isSite = (one: string): boolean => /^[\p{L}\p{N}-]+(\.[\p{L}\p{N}-]+)+$/u.test(one);

function hostOf(address: string): string {
  return URL.canParse(address) ? new URL(address).hostname.toLowerCase() : "";
}

/** Words one after the other with a blank on both sides of each, so that a part of a word is no word. */
const folded = (text: string): string =>
  ` ${(
    text
      .normalize("NFKC")
      .toLowerCase()
      .match(/[\p{L}\p{N}\p{M}]+/gu) ?? []
  ).join(" ")} `;
