import { copyText } from "./copy-text";
import { toast } from "./toast";

/** Copies words with a look: where looks are taken they go with their own, elsewhere as plain text. */
export async function copyRich(
  { html, text }: { html: string; text: string },
  said = "Copied with its look. Paste it into a letter or a document.",
): Promise<void> {
  try {
    const as = (type: string, content: string) => new Blob([content], { type });
    await navigator.clipboard.write([
      new ClipboardItem({ "text/html": as("text/html", html), "text/plain": as("text/plain", text) }),
    ]);
    toast(said, { duration: 4_000 });
  } catch {
    await copyText(text, "Copied as plain text.");
  }
}
