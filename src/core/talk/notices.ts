/**
 * What is addressed to somebody, and why: they are named in it, it answers in a thread they are part of, they are asked
 * to see to an item, something was suggested for a collection of theirs, a handout of theirs was handed in, stewards of
 * the installation hide a collection of theirs, or it helped a reader.
 */
export const NOTICE_KINDS = [
  "mention",
  "answer",
  "asked",
  "suggested",
  "returned",
  "hidden",
  "helped",
] as const;
export type NoticeKind = (typeof NOTICE_KINDS)[number];

/** When somebody hears of it by mail. */
export const MAIL_TIMES = ["at-once", "daily", "never"] as const;
export type MailTime = (typeof MAIL_TIMES)[number];
export type MailWishes = Record<NoticeKind, MailTime>;

/** As it is until somebody says otherwise. */
const FIRST_WISHES: MailWishes = {
  mention: "at-once",
  answer: "daily",
  asked: "at-once",
  suggested: "daily",
  returned: "never",
  hidden: "at-once",
  helped: "never",
};

/** What somebody says who wants no letters about any of it. */
export const NO_LETTERS = Object.fromEntries(NOTICE_KINDS.map((kind) => [kind, "never"])) as MailWishes;

/** Of what somebody said about it what is known; the rest is as it was at first. */
export const asWishes = (said: Partial<Record<string, unknown>> | null | undefined): MailWishes =>
  Object.fromEntries(
    NOTICE_KINDS.map((kind) => {
      const time = MAIL_TIMES.find((one) => one === said?.[kind]);
      return [kind, time ?? FIRST_WISHES[kind]];
    }),
  ) as MailWishes;

/** Something that is addressed to somebody, as a letter tells it. */
export type NoticeTold = {
  kind: NoticeKind;
  /** Who did it; null: several, or nobody with an account. */
  by: string | null;
  words: string;
  title: string;
  /** What in the collection it is about; empty: the collection as a whole. */
  about: string;
  /** Until when one is asked to see to it, as 2026-12-03. */
  day?: string | null;
  /** How many there are of it. */
  many?: number | null;
  link: string;
};

/** A day as people say it. @param day as 2026-12-03 */
export const sayAskedDay = (day: string): string =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString("en-GB", { dateStyle: "long", timeZone: "UTC" });

/** Of what in the collection, or of whom, to stand behind its title; empty: of all of it. */
export const sayAbout = ({ kind, about }: Pick<NoticeTold, "kind" | "about">): string =>
  about && (kind === "returned" ? `, ${about}` : `, at “${about}”`);

/** Where what is addressed to somebody is looked at. */
export function placeOfNotice(one: {
  kind: NoticeKind;
  team: string;
  collection: string;
  comment: string | null;
  subject: string | null;
}): string {
  if (one.kind === "asked") return `/bench/${one.collection}?item=${one.subject}`;
  if (one.kind === "suggested") return `/team/${one.team}/suggestions/${one.collection}`;
  if (one.kind === "hidden" || one.kind === "helped") return `/publish/${one.collection}`;
  if (one.kind === "returned") return `/team/${one.team}/handouts/${one.subject}`;
  return `/bench/${one.collection}?said=${one.comment}`;
}

/** What was done, to stand between who did it and where. */
export function sayNotice({ kind, day, many }: Pick<NoticeTold, "kind" | "day" | "many">): string {
  if (kind === "mention") return "means you in";
  if (kind === "answer") return "answered in";
  if (kind === "asked")
    return day ? `asks you to see to this by ${sayAskedDay(day)}, in` : "asks you to see to this, in";
  if (kind === "suggested") return many === 1 ? "1 suggestion waits for" : `${many} suggestions wait for`;
  if (kind === "helped") return "Readers say what it was good for:";
  if (kind === "hidden") return "The stewards hide from its readers";
  return many === 1 ? "1 has handed in" : `${many} have handed in`;
}

/** So much of each is in a letter. */
const MOST_WORDS = 300;
const MOST_TOLD = 50;

/**
 * The letter about what is addressed to somebody.
 * @param all at least one
 * @param settings where they say what they want to hear by mail
 */
export function noticeLetter(
  all: readonly NoticeTold[],
  settings: string,
): { subject: string; text: string } {
  const [first] = all;
  const did = (one: NoticeTold) => `${one.by === null ? "" : `${one.by} `}${sayNotice(one)} “${one.title}”`;
  const subject = all.length === 1 ? did(first!) : `${all.length} things are addressed to you`;
  const told = all
    .slice(0, MOST_TOLD)
    .map((one) => `${did(one)}${sayAbout(one)}:\n${one.words ? `${quoted(one.words)}\n` : ""}${one.link}`);
  const left = all.length - told.length;
  return {
    subject: subject.replace(/\s+/g, " "),
    text: [
      ...told,
      ...(left > 0 ? [`And ${left} more.`] : []),
      `What you hear by mail, and when: ${settings}\n`,
    ].join("\n\n"),
  };
}

const quoted = (words: string): string =>
  (words.length > MOST_WORDS ? `${words.slice(0, MOST_WORDS).trimEnd()} …` : words)
    .split("\n")
    .map((line) => `> ${line}`)
    .join("\n");
