import { toast } from "./toast";
import { Refusal } from "./call";

/** Tells a failure in a toast, in the words the server gave. */
export function sayFailure(error: unknown): void {
  const words =
    error instanceof Refusal
      ? (Object.values(error.fields)[0] ?? error.detail)
      : "Something went wrong on this page.";
  toast.error(words);
}
