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
  if (bar && isForBar(kind, more)) return bar({ words, more });
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

/** Takes what was said and still stands away, and gives the last of it; what went wrong stays. */
let takeAway: (() => Said | null) | null = null;

/**
 * From now on toasts are shown by this, those that waited first.
 * @param take takes those that stand away again
 */
export function toastsBy(by: typeof show, take: typeof takeAway = null): void {
  show = by;
  takeAway = take;
  for (const one of waiting.splice(0)) show?.(...one);
}

/** Whether a bar can say it: what is long to be read, or is changed later, is no matter of a bar. */
export const isForBar = (kind: Kind, more?: ExternalToast): boolean =>
  kind === "message" && !more?.id && !more?.description;

/**
 * A bar that stands at the edge, where toasts would cover it, says itself what was done, also just before it came: under a
 * finger a toast stays as long as nothing else is touched.
 * @returns to be called when it goes
 */
export function barSays(by: (said: Said) => void): () => void {
  bar = by;
  const last = takeAway?.();
  if (last) by(last);
  return () => {
    if (bar === by) bar = null;
  };
}
