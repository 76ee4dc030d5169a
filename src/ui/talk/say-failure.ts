import { copyText } from "./copy-text";
import { toast } from "./toast";
import { Refusal } from "./call";

/** Why something could not be done, in the words the server gave. */
export function whyOf(error: unknown): string {
  if (!(error instanceof Refusal)) return "Something went wrong on this page.";
  const why = Object.values(error.fields)[0] ?? error.detail;
  const theirs = theirsIn(error);
  return theirs === null
    ? why
    : `${why} ${theirs ? `It says “${shortened(theirs)}” now.` : "It is empty now."}`;
}

/** What somebody else wrote where one's own words were refused for it; null for other refusals. */
export const theirsIn = (error: unknown): string | null =>
  error instanceof Refusal ? (Object.values(error.now)[0] ?? null) : null;

const shortened = (text: string) => (text.length > 60 ? `${text.slice(0, 60).trimEnd()} …` : text);

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
  toast.error(`Not saved: “${shortened(text)}”`, {
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

/**
 * What hears that something was refused, for a form: the words stand beside their fields, and what is about none is said.
 * @param set shows words by the names of the fields
 * @example
 * call("criteria.save", { team, name, content }).then(onDone).catch(sayByField(setErrors));
 */
export const sayByField =
  (set: (fields: Record<string, string>) => void) =>
  (error: unknown): void => {
    if (error instanceof Refusal && Object.keys(error.fields).length) set(error.fields);
    else sayFailure(error);
  };

/** The same for a form with one field. */
export const sayAtField =
  (field: string, set: (words: string) => void) =>
  (error: unknown): void => {
    const words = error instanceof Refusal && error.fields[field];
    if (words) set(words);
    else sayFailure(error);
  };
