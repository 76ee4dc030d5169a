/** What is laid out by itself in a long text; the style sheet passes over the same when it is far from the screen. */
export const BLOCKS = ".reading-long :is(p, ul, ol, dl, pre, table):not(li *)";
/** So many of them are laid out at first, when the browser has nothing else to do; then as many as it does in so long. */
const AT_FIRST = 20;
const WITHIN = 10;
/** So long after it was scrolled, in milliseconds, a text is left alone: what is scrolled to is laid out as it comes. */
const REST = 300;

/**
 * Lays out a long text from the screen down, some of it at a time, so that it opens without a stop and is scrolled as any
 * other. What is above the screen stays as high as it is taken to be until somebody comes near: laid out now, it would push
 * the words away from under the eye.
 * @returns what ends it
 */
export function layOutLater(text: HTMLElement): () => void {
  const soon = window.requestIdleCallback ?? ((run: () => void) => setTimeout(run, 50));
  const stop = window.cancelIdleCallback ?? clearTimeout;
  let blocks: HTMLElement[] | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let waiting = 0;
  let count = AT_FIRST;
  let scrolled = -REST;
  const onScroll = (event: Event) => (scrolled = event.timeStamp);
  window.addEventListener("scroll", onScroll, { capture: true, passive: true });
  const later = (after: number) => {
    timer = setTimeout(() => (waiting = soon(go) as number), after);
  };
  const go = () => {
    if (performance.now() - scrolled < REST) return later(REST);
    blocks ??= [...text.querySelectorAll<HTMLElement>(BLOCKS)];
    const some = blocks.splice(0, count);
    const below = some.filter((one) => one.getBoundingClientRect().bottom > 0);
    for (const one of below) one.style.contentVisibility = "visible";
    // Now, to know how long it takes here.
    const from = performance.now();
    void text.offsetHeight;
    const took = performance.now() - from;
    if (below.length) count = Math.max(4, Math.min(80, Math.round((below.length * WITHIN) / took)));
    if (blocks.length) waiting = soon(go) as number;
  };
  // Whoever comes to a place in it is there by then.
  later(500);
  return () => {
    window.removeEventListener("scroll", onScroll, { capture: true });
    clearTimeout(timer);
    stop(waiting);
  };
}
