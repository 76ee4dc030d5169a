import { copyText } from "./copy-text";
import { toast } from "./toast";

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c]!);

/** Copies a link: into a letter or a document it goes as its title, elsewhere as its address. */
export async function copyLink(title: string, address: string): Promise<void> {
  try {
    const html = new Blob([`<a href="${escaped(address)}">${escaped(title)}</a>`], { type: "text/html" });
    const plain = new Blob([address], { type: "text/plain" });
    await navigator.clipboard.write([new ClipboardItem({ "text/html": html, "text/plain": plain })]);
    toast("Copied as a link.", { duration: 4_000 });
  } catch {
    await copyText(address, "Copied.");
  }
}

/**
 * Copies text that is not there yet: the browser is asked at the press, and what comes of it goes into the clipboard then.
 * @param coming null when there is nothing to copy after all
 * @returns whether it lies in the clipboard
 */
export async function copyComing(coming: Promise<string | null>): Promise<boolean> {
  const text = coming.then((words) => {
    if (words === null) throw new Error("There is nothing to copy.");
    return new Blob([words], { type: "text/plain" });
  });
  // Whoever waits for it hears of what went wrong; the clipboard need not tell once more.
  text.catch(() => undefined);
  try {
    await navigator.clipboard.write([new ClipboardItem({ "text/plain": text })]);
    return true;
  } catch {
    return false;
  }
}
