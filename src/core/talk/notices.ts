/** What is addressed to somebody, and why: they are named in it, or it answers in a thread they are part of. */
export const NOTICE_KINDS = ["mention", "answer"] as const;
export type NoticeKind = (typeof NOTICE_KINDS)[number];

/** When somebody hears of it by mail. */
export const MAIL_TIMES = ["at-once", "daily", "never"] as const;
export type MailTime = (typeof MAIL_TIMES)[number];
export type MailWishes = Record<NoticeKind, MailTime>;

/** As it is until somebody says otherwise. */
const FIRST_WISHES: MailWishes = { mention: "at-once", answer: "daily" };

/** Of what somebody said about it what is known; the rest is as it was at first. */
export const asWishes = (said: Partial<Record<string, unknown>> | null | undefined): MailWishes =>
  Object.fromEntries(
    NOTICE_KINDS.map((kind) => {
      const time = MAIL_TIMES.find((one) => one === said?.[kind]);
      return [kind, time ?? FIRST_WISHES[kind]];
    }),
  ) as MailWishes;

/** Whoever is there reads it in the meantime: so long a letter waits, in milliseconds. */
const MEANWHILE = 5 * 60_000;
/** The hour at which the daily letter goes, by UTC: before work in most of Europe and Africa. */
const DAILY_HOUR = 5;

/** When a letter about something that happens now goes out. */
export function mailedAt(time: Exclude<MailTime, "never">, at: Date): Date {
  if (time === "at-once") return new Date(at.getTime() + MEANWHILE);
  const next = new Date(at);
  next.setUTCHours(DAILY_HOUR, 0, 0, 0);
  if (next <= at) next.setUTCDate(next.getUTCDate() + 1);
  return next;
}

/** Something that is addressed to somebody, as a letter tells it. */
export type NoticeTold = {
  kind: NoticeKind;
  by: string;
  words: string;
  title: string;
  /** What in the collection it is about; empty: the collection as a whole. */
  about: string;
  link: string;
};

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
  const subject =
    all.length === 1
      ? `${first!.by} ${DID[first!.kind]} “${first!.title}”`
      : `${all.length} things are addressed to you`;
  const told = all.slice(0, MOST_TOLD).map(({ kind, by, words, title, about, link }) => {
    const where = about ? `“${title}”, at “${about}”` : `“${title}”`;
    return `${by} ${DID[kind]} ${where}:\n${quoted(words)}\n${link}`;
  });
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

const DID: Record<NoticeKind, string> = { mention: "means you in", answer: "answered in" };

const quoted = (words: string): string =>
  (words.length > MOST_WORDS ? `${words.slice(0, MOST_WORDS).trimEnd()} …` : words)
    .split("\n")
    .map((line) => `> ${line}`)
    .join("\n");
