import { copyText } from "./copy-text";
import { toast } from "./toast";
import { Refusal } from "./call";

/** Why something could not be done, in the words the server gave. */
export const whyOf = (error: unknown): string =>
  error instanceof Refusal
    ? (Object.values(error.fields)[0] ?? error.detail)
    : "Something went wrong on this page.";

/** Tells a failure in a toast. */
export function sayFailure(error: unknown): void {
  toast.error(whyOf(error));
}

/**
 * Says that words could not be saved whose field is gone by now. They stay until they are saved or dismissed: they can
 * be sent again, or copied to be put elsewhere.
 * @param text the words without marks
 */
export function sayUnsaved(text: string, why: string, again: () => Promise<unknown>): void {
  const short = text.length > 60 ? `${text.slice(0, 60).trimEnd()} …` : text;
  toast.error(`Not saved: “${short}”`, {
    description: why,
    duration: Infinity,
    closeButton: true,
    action: {
      label: "Try again",
      onClick: () => void again().catch((error: unknown) => sayUnsaved(text, whyOf(error), again)),
    },
    cancel: { label: "Copy the words", onClick: () => void copyText(text, "Copied.") },
  });
}
