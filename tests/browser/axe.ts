import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";

/** Until nothing fades or slides any more: what is half there has the contrast of that moment, which nobody reads. */
export const atRest = (page: Page) =>
  page.evaluate(async () => {
    const ends = (one: Animation) => one.effect?.getComputedTiming().endTime !== Infinity;
    // One that is called off is over, too.
    await Promise.allSettled(
      document
        .getAnimations()
        .filter(ends)
        .map((one) => one.finished),
    );
  });

/**
 * What axe finds wrong with a page that has come to rest.
 *
 * @param part selectors: the one part of it that is looked at, and what is left out. A frame that may be drawn anew while axe
 *   is in it is left out, as axe would wait for ever; what stands in it is looked at by itself
 */
export async function axe(page: Page, { part, without }: { part?: string; without?: string } = {}) {
  // What comes up while axe is looking comes up at once.
  await page.emulateMedia({ reducedMotion: "reduce" });
  await atRest(page);
  // All of it in the page itself: else it is put together in a second page, behind which the first one rests, and once in
  // many runs neither comes to an end. The frames of other origins it then cannot reach are looked at by themselves.
  let builder = new AxeBuilder({ page }).setLegacyMode();
  if (part) builder = builder.include(part);
  if (without) builder = builder.exclude(without);
  const { violations } = await builder.analyze();
  await page.emulateMedia({ reducedMotion: null });
  return violations;
}
