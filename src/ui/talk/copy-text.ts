import { toast } from "./toast";

/**
 * Copies text and says so; where the browser does not allow it, shows it to be copied by hand.
 * @param text what is copied
 * @param said what is said when it is; empty: nothing
 */
export async function copyText(text: string, said = ""): Promise<void> {
  try {
    await navigator.clipboard.writeText(text);
    if (said) toast(said, { duration: 4_000 });
  } catch {
    window.prompt("Copy this:", text);
  }
}
