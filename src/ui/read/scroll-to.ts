/**
 * Scrolls until a place stands so far below the top of what scrolls. Of a long text what is come to is laid out only then,
 * and may stand elsewhere: it is gone to until it stays.
 * @param range the place; null: it is there already
 * @param below where it shall stand, in CSS pixels from the top of the window
 * @param done told once it stays
 * @returns what ends it before
 */
export function scrollTo(
  main: HTMLElement,
  range: Range | null,
  below: number,
  done: () => void = () => undefined,
): () => void {
  let left = 5;
  let frame = 0;
  const go = () => {
    const by = range ? range.getBoundingClientRect().top - below : 0;
    main.scrollTop += by;
    if (Math.abs(by) > 1 && --left) frame = requestAnimationFrame(go);
    else done();
  };
  go();
  return () => cancelAnimationFrame(frame);
}
