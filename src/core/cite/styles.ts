/** The styles of bibliographies that come with Hobbin: their ids are the names of their files, and what they are called. */
export const STYLES = [
  ["apa", "APA, 7th edition"],
  ["modern-language-association", "MLA, 9th edition"],
  ["chicago-author-date", "Chicago, 17th edition: author and date"],
  ["chicago-note-bibliography", "Chicago, 17th edition: notes"],
  ["turabian-fullnote-bibliography", "Turabian, 8th edition"],
  ["harvard-cite-them-right", "Harvard (Cite Them Right, 12th edition)"],
  ["ieee", "IEEE"],
  ["vancouver", "Vancouver"],
  ["american-medical-association", "AMA, 11th edition"],
  ["council-of-science-editors-author-date", "CSE: name and year"],
  ["american-chemical-society", "American Chemical Society"],
  ["american-sociological-association", "American Sociological Association"],
  ["american-political-science-association", "American Political Science Association"],
  ["american-anthropological-association", "American Anthropological Association"],
  ["modern-humanities-research-association", "MHRA, 3rd edition"],
  ["oscola", "OSCOLA"],
  ["iso690-author-date-en", "ISO 690: author and date"],
  ["din-1505-2", "DIN 1505-2"],
  ["deutsche-gesellschaft-fur-psychologie", "Deutsche Gesellschaft für Psychologie"],
  ["associacao-brasileira-de-normas-tecnicas", "ABNT"],
  ["elsevier-harvard", "Elsevier, Harvard"],
  ["springer-basic-author-date", "Springer, Basic"],
  ["nature", "Nature"],
  ["science", "Science"],
  ["cell", "Cell"],
  ["the-lancet", "The Lancet"],
] as const;

/**
 * A style by its id: the name of its file among those that come with Hobbin or are installed beside it, or what `ownStyleId`
 * makes of a file a team has added.
 */
export type StyleId = string;

/** What a style stands by until somebody says otherwise. */
export const FIRST_STYLE: StyleId = "apa";

const SHIPPED: ReadonlySet<string> = new Set(STYLES.map(([id]) => id));
/** Whether a style comes with Hobbin. */
export const isShipped = (id: StyleId): boolean => SHIPPED.has(id);

/** How an id of a style is written; with no dot in it, it leads to no other folder. */
export const STYLE_ID = /^[a-z0-9][a-z0-9-]{0,139}$/;
/** Whether this can be the id of a style; whether there is one of that name is another question. */
export const isStyleId = (value: unknown): value is StyleId =>
  typeof value === "string" && STYLE_ID.test(value);

/** More letters no style has; the longest of the trade have a tenth. */
export const LONGEST_STYLE = 1_000_000;

const OWN = "own-";
/** The id of a file a team has added: by its content, so that it is the same one wherever it comes back. @param hash SHA-256, hex */
export const ownStyleId = (hash: string): StyleId => OWN + hash.slice(0, 40);
/** Whether a style is of some team's own. */
export const isOwnStyle = (id: StyleId): boolean => id.startsWith(OWN) && id.length === OWN.length + 40;

/** The locales that come with Hobbin, by the language they are for; the first of a language stands for all of it. */
const LOCALES = [
  ...["en-US", "en-GB", "de-DE", "fr-FR", "es-ES", "it-IT", "nl-NL", "pl-PL", "pt-PT", "pt-BR", "sv-SE"],
  ...["da-DK", "fi-FI", "nb-NO", "cs-CZ", "et-EE", "ru-RU", "uk-UA", "tr-TR", "el-GR", "hu-HU", "ro-RO"],
  ...["zh-CN", "ja-JP", "ar", "he-IL", "fa-IR"],
];

/** The locale for a language; American English for those that have none. @param language as BCP 47 has it, or empty */
export function localeFor(language: string): string {
  const wanted = language === "no" ? "nb" : language;
  const [main = ""] = wanted.split("-");
  return (
    LOCALES.find((one) => one === wanted) ?? LOCALES.find((one) => one.split("-")[0] === main) ?? "en-US"
  );
}
