import { tagKey } from "../tags/tag-name";

/** What a rule asks for; everything it names must hold. */
export type RuleWhen = { host?: string; sender?: string; tag?: string; word?: string };
/** What a rule leaves out although it fits: one of the same things. */
export type RuleUnless = { host: string } | { sender: string } | { word: string };
/** What is known of a resource when rules are looked at. */
export type RuleFacts = { host: string; sender: string; tags: readonly string[]; title: string };

/**
 * Whether a rule fits. A site takes its sub-sites along (`bog.example` fits `news.bog.example`); a sender is found
 * anywhere in name and address; a word must stand as a word, whatever its case and accents. A rule that names nothing
 * fits nothing.
 * @param when what the rule names; every part that is named must fit
 * @param facts of the resource that came in
 * @param unless what it leaves out; one of these is enough
 */
export function ruleFits(
  when: RuleWhen,
  facts: RuleFacts,
  unless: readonly RuleUnless[] | null = null,
): boolean {
  return fits(when, facts) && !unless?.some((one) => fits(one, facts));
}

function fits(when: RuleWhen, facts: RuleFacts): boolean {
  const { host, sender, tag, word } = when;
  if (!host && !sender && !tag && !word) return false;
  return (
    (!host || fitsHost(host, facts.host)) &&
    (!sender || facts.sender.toLowerCase().includes(sender.trim().toLowerCase())) &&
    (!tag || facts.tags.some((one) => tagKey(one) === tagKey(tag))) &&
    (!word || fitsWord(word, facts.title))
  );
}

function fitsHost(wanted: string, host: string): boolean {
  const bare = wanted
    .trim()
    .toLowerCase()
    .replace(/^https?:\/\//, "")
    .replace(/^www\./, "")
    .replace(/\/.*$/, "");
  const here = host.toLowerCase().replace(/^www\./, "");
  return (
    here === bare ||
    here.endsWith(`.${bare}`) ||
    here.replace(/:\d+$/, "") === bare ||
    here.replace(/:\d+$/, "").endsWith(`.${bare}`)
  );
}

function fitsWord(word: string, title: string): boolean {
  const words = (text: string) =>
    ` ${tagKey(text)
      .replace(/[^\p{L}\p{N}]+/gu, " ")
      .trim()} `;
  return words(word).trim() !== "" && words(title).includes(words(word));
}
