import { type Attachment, type ParsedMail, simpleParser } from "mailparser";
import { bareLink, type ImportedLink, linksIn } from "@/core/formats/imported";
import { forwardedOrigin, bareSubject, MOST_LINKS, readSender, worthOffering } from "@/core/mail/forwarded";
import { outlineHtml } from "@/core/imports/outline-html";
import { findLinks } from "@/core/imports/find-links";
import { escape } from "@/core/publish/html";
import { plainText } from "@/core/text/plain";
import { sanitise } from "@/core/text/sanitise";
import { decodePage } from "./fetch/decode";
import { sha256 } from "./hash";
import { sign } from "./threads/read-page-thread";

/** What is taken of a message. */
export type ReadMessage = {
  /** Message-ID, or a hash of the content where there is none. */
  identity: string;
  /** Whoever sent it here: decides whether it is taken without a look. */
  sentBy: string;
  /** Whoever wrote it: of a forwarded message the one inside. */
  from: { name: string; address: string };
  list: string;
  subject: string;
  date: Date | null;
  copy: { html: string; text: string; signature: string };
  links: ImportedLink[];
  /** Of all letters together. */
  attachments: { name: string; content: Buffer }[];
  /** What came with a note: every letter by itself, without its files. */
  letters: ReadMessage[];
};

/** A message in a message in a message: so far and no farther; what is deeper is a file of the one around it. */
const DEEPEST = 4;
/** So many letters are taken out of one message; more stay files of it. */
const MOST_LETTERS = 200;

/**
 * Reads a message (RFC 5322, MIME). Of one that was forwarded, inside or attached, the message inside counts; one that has
 * words of its own is a note, and every letter with it a letter. A digest is one message, of whoever made it, with all
 * letters in it; a report on delivery is of whoever sent the report. Remote pictures and counting pixels fall away with all
 * pictures.
 * @param raw a message of RFC 5322, whole
 * @param whole all of it, where `raw` is only its beginning
 */
export const readMessage = (raw: Buffer, whole = raw): Promise<ReadMessage> =>
  readWithin(raw, { whole, depth: 0, left: { letters: MOST_LETTERS } });

/** A letter that is to be shown in its place is one as well, and no part of the words around it. */
const PARSING = { skipImageLinks: true, skipTextLinks: true, ignoreEmbedded: true };

/** `left`: how many letters may still be taken out, of all of it together. */
type Room = { whole: Buffer; depth: number; left: { letters: number } };

async function readWithin(raw: Buffer, room: Room): Promise<ReadMessage> {
  const outer = await simpleParser(raw, PARSING);
  const { text, strange } = strangeText(outer);
  const isReport = kindOf(outer) === "multipart/report";
  // What a report returns is part of it; the original has it.
  const parts = isReport ? [] : outer.attachments.filter(isLetter);
  const own = {
    identity: sha256(outer.messageId?.trim() || room.whole),
    sentBy: outer.from?.value[0]?.address?.toLowerCase() ?? "",
    attachments: filesOf(outer, isReport, strange),
  };
  const letters: ReadMessage[] = [];
  for (const { content, filename } of parts) {
    if (room.depth >= DEEPEST || room.left.letters-- <= 0) {
      own.attachments.push({ name: filename ?? "letter.eml", content });
      continue;
    }
    letters.push(await readWithin(content, { ...room, whole: content, depth: room.depth + 1 }));
  }
  const inside = letters.flatMap((one) => one.attachments);
  const html = outer.html || paragraphs(text);
  const [only] = letters;
  const isOne = letters.length === 1 && !plainText(html).trim();
  if (only && isOne) return { ...only, ...own, attachments: [...inside, ...own.attachments] };
  // A word above what was forwarded, under the same subject, is no thing of its own.
  if (only && letters.length === 1 && bareSubject(outer.subject ?? "") === only.subject)
    return {
      ...{ ...only, ...own, copy: below(html, only.copy) },
      links: worthOffering([...linksOf(sanitise(html), text), ...only.links]).slice(0, MOST_LINKS),
      attachments: [...inside, ...own.attachments],
    };
  const forwarded = letters.length ? null : forwardedOrigin(text || plainText(outer.html || ""));
  const isDigest =
    letters.length > 0 && /^content-type:[ \t]*multipart\/digest/im.test(raw.toString("latin1"));
  const clean = sanitise(
    [
      forwarded && !outer.html ? paragraphs(`${forwarded.note}\n\n${forwarded.body}`) : html,
      ...(isDigest ? letters.flatMap((one) => [one, ...one.letters]).map(inDigest) : []),
    ].join("\n"),
  );
  const words = plainText(clean);
  const sender = outer.from?.value[0];
  return {
    ...own,
    from: forwarded
      ? readSender(forwarded.from)
      : { name: sender?.name || sender?.address || "", address: sender?.address?.toLowerCase() ?? "" },
    list: listName(outer),
    subject: bareSubject(forwarded?.subject || outer.subject || "") || "Without a subject",
    date: (forwarded?.date ? new Date(`${forwarded.date}T00:00:00Z`) : outer.date) ?? null,
    copy: { html: clean, text: words, signature: sign(words) },
    links: linksOf(clean, words),
    attachments: [...inside, ...own.attachments],
    letters: isDigest
      ? []
      : letters.flatMap((one) => [{ ...one, attachments: [], letters: [] }, ...one.letters]),
  };
}

/** A letter with the note that came with it, above it. */
function below(note: string, letter: ReadMessage["copy"]): ReadMessage["copy"] {
  const html = `${sanitise(note)}<hr>${letter.html}`;
  return { html, text: `${plainText(note)}\n\n${letter.text}`, signature: letter.signature };
}

const isLetter = (one: Attachment): boolean => one.contentType === "message/rfc822";

/** The type a message says it has, in small letters. */
const kindOf = (mail: ParsedMail): string =>
  (mail.headers.get("content-type") as { value?: string } | undefined)?.value?.toLowerCase() ?? "";

/**
 * The words of a message. Where no part of it is text by its name, those are that say they are of some kind of text, or of
 * none there is (RFC 2045 §5.2, RFC 2046 §4.1.4), and are nobody's file.
 */
function strangeText(mail: ParsedMail): { text: string; strange: Set<Attachment> } {
  const strange = new Set<Attachment>();
  if (mail.text?.trim() || mail.html) return { text: mail.text ?? "", strange };
  for (const one of mail.attachments)
    if (!one.filename && one.contentDisposition !== "attachment" && STRANGE.test(one.contentType))
      strange.add(one);
  const text = [...strange].map((one) => decodePage(one.content, undefined)).join("\n\n");
  return { text, strange };
}
const STRANGE = /^(?:text(?:\/(?!calendar|x?-?vcard|directory).*)?|[^/]*|application\/(?:text|plain))$/i;

/** The files that came with it. Of a report what its machine tells other machines is none. */
const filesOf = (mail: ParsedMail, isReport: boolean, strange: ReadonlySet<Attachment>) =>
  mail.attachments
    .filter((one) => !isLetter(one) && !one.related && one.content.length && !strange.has(one))
    .filter((one) => !isReport || !/^(?:message\/|text\/rfc822)/i.test(one.contentType))
    .map((one) => ({ name: one.filename ?? "attachment", content: one.content }));

/** A letter as it stands in a digest. */
const inDigest = ({ subject, from, copy }: ReadMessage): string =>
  `<h2>${escape(subject)}</h2><p>${escape(from.name)}</p>${copy.html}`;

/** The most bytes heads have. */
const MOST_HEADS = 256_000;

/**
 * What the heads of a message say, without a look into it: for what is too much to be read while its sender waits.
 * @param raw a message of RFC 5322, whole
 */
export function readHeads(raw: Buffer): Promise<ReadMessage> {
  const heads = raw.subarray(0, MOST_HEADS);
  const ends = ["\r\n\r\n", "\n\n"].map((end) => heads.indexOf(end)).filter((at) => at >= 0);
  return readMessage(raw.subarray(0, Math.min(heads.length, ...ends)), raw);
}

const paragraphs = (text: string): string =>
  text
    .split(/\n\s*\n/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => `<p>${escape(part).replace(/\n/g, "<br>")}</p>`)
    .join("\n");

/** RFC 2919: `List-Id: News of the bog <news.bog.example>`. */
function listName(mail: ParsedMail): string {
  const list = mail.headers.get("list") as { id?: { name?: string; id?: string } } | undefined;
  return list?.id?.name || list?.id?.id || "";
}

function linksOf(html: string, text: string): ImportedLink[] {
  const links = linksIn(outlineHtml(html).root);
  if (!links.length)
    links.push(...findLinks(text).links.map(({ address, title }) => bareLink(address, { title })));
  return worthOffering(links).slice(0, MOST_LINKS);
}
