import mammoth from "mammoth";
import { NotReadable, officeHtml, officeKind } from "@/core/formats/office";
import { plainText } from "@/core/text/plain";
import { sanitise } from "@/core/text/sanitise";
import { sign } from "./read-page-thread";

export type OfficeAnswer = {
  copy: { html: string; text: string; signature: string };
  pages: number | null;
} | null;

/** The text of an office document, or of a plain text file. Null where there is none or the file is broken. */
export default async function work({
  body,
  plain,
}: {
  body: Uint8Array;
  plain?: boolean;
}): Promise<OfficeAnswer> {
  if (plain) {
    const text = new TextDecoder().decode(body).slice(0, 1_000_000);
    const html = text
      .split(/\n{2,}/)
      .map(
        (part) =>
          `<p>${part.replace(/[&<>]/g, (sign) => `&#${sign.charCodeAt(0)};`).replace(/\n/g, "<br>")}</p>`,
      )
      .join("");
    return { copy: { html, text, signature: sign(text) }, pages: null };
  }
  try {
    const kind = officeKind(body);
    const { html, pages } =
      kind === "docx"
        ? { html: (await mammoth.convertToHtml({ buffer: Buffer.from(body) })).value, pages: null }
        : officeHtml(body, kind);
    const clean = sanitise(html);
    const text = plainText(clean);
    return { copy: { html: clean, text, signature: sign(text) }, pages };
  } catch (error) {
    if (error instanceof NotReadable || error instanceof Error) return null;
    throw error;
  }
}
