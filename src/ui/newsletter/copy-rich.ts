import { copyText } from "../talk/copy-text";
import { toast } from "../talk/toast";

/** Copies a letter: where looks are taken it goes with its own, elsewhere as plain text. */
export async function copyRich({ html, text }: { html: string; text: string }): Promise<void> {
  try {
    const as = (type: string, content: string) => new Blob([content], { type });
    await navigator.clipboard.write([
      new ClipboardItem({ "text/html": as("text/html", html), "text/plain": as("text/plain", text) }),
    ]);
    toast("Copied with its look. Paste it into a letter or a document.", { duration: 4_000 });
  } catch {
    await copyText(text, "Copied as plain text.");
  }
}
