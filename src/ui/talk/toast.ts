import type { ExternalToast } from "sonner";

type Say = (words: string, more?: ExternalToast) => void;
type Kind = "message" | "error";

/** What shows the toasts is loaded with the first of them; until then they wait here. */
let show: ((kind: Kind, words: string, more?: ExternalToast) => void) | null = null;
const waiting: [Kind, string, ExternalToast | undefined][] = [];
let wanted: () => void = () => undefined;

/** What is said at the edge of the screen, to be shown by something that stands there already. */
export type Said = { words: string; more: ExternalToast | undefined };
let bar: ((said: Said) => void) | null = null;

const say = (kind: Kind, words: string, more?: ExternalToast) => {
  // What is long to be read, or is changed later, is no matter of a bar.
  if (bar && kind === "message" && !more?.id && !more?.description) return bar({ words, more });
  if (show) return show(kind, words, more);
  waiting.push([kind, words, more]);
  wanted();
};

/** Says something at the edge of the screen for a while, maybe with something to do. */
export const toast: Say & { error: Say } = Object.assign(
  (words: string, more?: ExternalToast) => say("message", words, more),
  { error: (words: string, more?: ExternalToast) => say("error", words, more) },
);

/** Whoever shows toasts hears here that the first one waits. */
export function onFirstToast(hear: () => void): void {
  wanted = hear;
  if (waiting.length) hear();
}

/** From now on toasts are shown by this, those that waited first. */
export function toastsBy(by: typeof show): void {
  show = by;
  for (const one of waiting.splice(0)) show?.(...one);
}

/**
 * A bar that stands at the edge, where toasts would cover it, says itself what was done.
 * @returns to be called when it goes
 */
export function barSays(by: (said: Said) => void): () => void {
  bar = by;
  return () => {
    if (bar === by) bar = null;
  };
}
