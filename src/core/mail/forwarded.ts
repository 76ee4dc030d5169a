import { partialDate } from "../page/dates";

/** Where a forwarded message comes from, as the mail program wrote it above the text. */
export type Origin = { from: string; subject: string; date: string | null };

/** How mail programs begin a forwarded message, in the languages they come in; common practice, no single source. */
const LINES = [
  ...["forwarded message", "original message", "weitergeleitete nachricht", "ursprüngliche nachricht"],
  ...["message transféré", "message transmis", "message d'origine", "mensaje reenviado", "mensaje original"],
  ...["messaggio inoltrato", "messaggio originale", "doorgestuurd bericht", "oorspronkelijk bericht"],
  ...["mensagem encaminhada", "mensagem original", "vidarebefordrat meddelande", "ursprungligt meddelande"],
  ...["przekazana wiadomość", "wiadomość oryginalna"],
];
const BEGINNINGS = [
  ...["begin forwarded message", "anfang der weitergeleiteten nachricht", "début du message transféré"],
  ...["inicio del mensaje reenviado", "inizio messaggio inoltrato", "begin doorgestuurd bericht"],
  ...["início da mensagem reencaminhada", "vidarebefordrat brev", "początek przekazywanej wiadomości"],
];
const BEGINS = new RegExp(
  `^[ \\t]*(?:-{2,}[ \\t]*(?:${LINES.join("|")})[ \\t]*:?[ \\t]*-*|(?:${BEGINNINGS.join("|")})[ \\t]*:|_{20,})[ \\t]*$`,
  "im",
);
const NAMES: Record<string, keyof Origin> = {
  ...{
    from: "from",
    von: "from",
    de: "from",
    da: "from",
    van: "from",
    från: "from",
    fra: "from",
    od: "from",
  },
  ...{ subject: "subject", betreff: "subject", objet: "subject", asunto: "subject", oggetto: "subject" },
  ...{ onderwerp: "subject", assunto: "subject", ämne: "subject", emne: "subject", temat: "subject" },
  ...{ date: "date", sent: "date", datum: "date", gesendet: "date", "date d'envoi": "date", envoyé: "date" },
  ...{ fecha: "date", enviado: "date", data: "date", inviato: "date", verzonden: "date", skickat: "date" },
  ...{ sendt: "date", wysłano: "date" },
};
const FIELD = new RegExp(`^[ \\t>*]*\\*?(${Object.keys(NAMES).join("|")})\\*?\\s*:\\*?[ \\t]*(.+)$`, "i");

/**
 * Finds the message inside one that was forwarded in its text. The lines that name sender, date and subject are read;
 * null when the message was not forwarded this way. What was written above it is a note.
 * @param text the plain text of the message
 */
export function forwardedOrigin(text: string): (Origin & { note: string; body: string }) | null {
  const begin = BEGINS.exec(text);
  if (!begin) return null;
  const lines = text
    .slice(begin.index + begin[0].length)
    .replace(/^\s*\n/, "")
    .split("\n");
  const found: Partial<Record<keyof Origin, string>> = {};
  let used = 0;
  for (const [i, line] of lines.slice(0, 14).entries()) {
    const field = FIELD.exec(line);
    if (field) found[NAMES[field[1]!.toLowerCase()]!] ??= field[2]!.trim();
    else if (!line.trim() && found.from) {
      used = i + 1;
      break;
    }
  }
  if (!found.from) return null;
  return {
    from: found.from,
    subject: found.subject ?? "",
    date: partialDate(found.date?.replace(/\s+(at|um|à|a las|alle|om|às|kl\.?|o)\s+.*/, "")),
    note: text.slice(0, begin.index).trim(),
    body: lines.slice(used).join("\n").trim(),
  };
}

/**
 * A subject without what forwarding and answering put before it.
 * @param subject a subject line, decoded
 */
export const bareSubject = (subject: string): string =>
  subject
    .replace(/^(\s*(fwd?|re|aw|wg|tr|rif|sv|vs|vb|rv|enc|res|doorst|antw|pd|odp)(\[\d+\])?\s*:\s*)+/i, "")
    .replace(/\s+/g, " ")
    .trim();

/**
 * Name and address of a sender: `Ada Mire <ada@bog.example>`, `ada@bog.example (Ada)`, or an address alone.
 * @param from the line of a forwarded head that names the sender
 */
export function readSender(from: string): { name: string; address: string } {
  const address =
    /<\s*(?:mailto:)?([^<>\s]+@[^<>\s]+)\s*>/.exec(from)?.[1] ??
    /[^\s<>()"]+@[^\s<>()"]+/.exec(from)?.[0] ??
    "";
  const name = from
    .replace(/<[^>]*>/g, "")
    .replace(address, "")
    .replace(/^["'\s]+|["'\s()]+$/g, "")
    .replace(/[()]/g, "")
    .trim();
  return { name: name || address, address: address.toLowerCase() };
}

/** Links of a newsletter that lead away from reading: leaving the list, settings, the copy in a browser. */
const HOUSEKEEPING =
  /unsubscribe|abmelden|abbestellen|opt-?out|manage[-_ ]?preferences|email-preferences|list-manage|view[-_ ]?(this|in)[-_ ]?(email|browser)|webversion|mailto:/i;

/**
 * Which links of a message are worth offering: each address once, none that only serves the list.
 * @param links all links of a message
 */
export function worthOffering<T extends { address: string; title: string }>(links: readonly T[]): T[] {
  const seen = new Set<string>();
  return links.filter(({ address, title }) => {
    const key = address.replace(/#.*$/, "");
    if (
      seen.has(key) ||
      HOUSEKEEPING.test(address) ||
      HOUSEKEEPING.test(title) ||
      /^(unsubscribe|abmelden|view in browser|privacy|datenschutz|impressum)/i.test(title)
    )
      return false;
    seen.add(key);
    return true;
  });
}

/** So many links are offered of one message. */
export const MOST_LINKS = 2_000;
