import { type ParsedMail, simpleParser } from "mailparser";
import { bareLink, type ImportedLink, linksIn } from "@/core/formats/imported";
import { forwardedOrigin, bareSubject, readSender, worthOffering } from "@/core/mail/forwarded";
import { outlineHtml } from "@/core/imports/outline-html";
import { findLinks } from "@/core/imports/find-links";
import { escape } from "@/core/publish/html";
import { plainText } from "@/core/text/plain";
import { sanitise } from "@/core/text/sanitise";
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
  attachments: { name: string; content: Buffer }[];
};

/**
 * Reads a message (RFC 5322, MIME). Of one that was forwarded, inside or attached, the message inside counts. Remote
 * pictures and counting pixels fall away with all pictures.
 * @param raw a message of RFC 5322, whole
 * @param whole all of it, where `raw` is only its beginning
 */
export async function readMessage(raw: Buffer, whole = raw): Promise<ReadMessage> {
  const outer = await simpleParser(raw, { skipImageLinks: true, skipTextLinks: true });
  const attached = outer.attachments.find((one) => one.contentType === "message/rfc822");
  const inner = attached
    ? await simpleParser(attached.content, { skipImageLinks: true, skipTextLinks: true })
    : outer;
  const text = inner.text ?? plainText(inner.html || "");
  const forwarded = attached ? null : forwardedOrigin(text);
  const html = bodyOf(inner, forwarded?.body ?? null);
  const clean = sanitise(html);
  const words = plainText(clean);
  const sender = inner.from?.value[0];
  return {
    identity: sha256(outer.messageId?.trim() || whole),
    sentBy: outer.from?.value[0]?.address?.toLowerCase() ?? "",
    from: forwarded
      ? readSender(forwarded.from)
      : { name: sender?.name || sender?.address || "", address: sender?.address?.toLowerCase() ?? "" },
    list: listName(inner),
    subject: bareSubject(forwarded?.subject || inner.subject || "") || "Without a subject",
    date: (forwarded?.date ? new Date(`${forwarded.date}T00:00:00Z`) : inner.date) ?? null,
    copy: { html: clean, text: words, signature: sign(words) },
    links: linksOf(clean, words),
    attachments: [...(attached ? inner.attachments : []), ...outer.attachments]
      .filter((one) => one.contentType !== "message/rfc822" && !one.related && one.content.length)
      .map((one) => ({ name: one.filename ?? "attachment", content: one.content })),
  };
}

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

function bodyOf(mail: ParsedMail, forwardedBody: string | null): string {
  if (mail.html) return mail.html;
  return (forwardedBody ?? mail.text ?? "")
    .split(/\n\s*\n/)
    .map((part) => `<p>${escape(part.trim()).replace(/\n/g, "<br>")}</p>`)
    .join("\n");
}

/** RFC 2919: `List-Id: News of the bog <news.bog.example>`. */
function listName(mail: ParsedMail): string {
  const list = mail.headers.get("list") as { id?: { name?: string; id?: string } } | undefined;
  return list?.id?.name || list?.id?.id || "";
}

function linksOf(html: string, text: string): ImportedLink[] {
  const links = linksIn(outlineHtml(html).root);
  if (!links.length)
    links.push(...findLinks(text).links.map(({ address, title }) => bareLink(address, { title })));
  return worthOffering(links).slice(0, 300);
}
