/** A time by the “normal play time” of Media Fragments URI 1.0, 4.2.1 (https://www.w3.org/TR/media-frags/): 90, 1:30, 0:01:30.5. */
const TIME = String.raw`\d+(?:\.\d*)?|(?:\d+:)?[0-5]?\d:[0-5]\d(?:\.\d*)?`;
const PART = new RegExp(`^#t=(?:npt:)?(?:(?:${TIME})?(?:,(?:${TIME}))|(?:${TIME}))$`);

/**
 * From which second to which one an address means a video or a sound, as the fragment browsers play by; empty where it
 * names none.
 * @param address of a thing, as it was kept
 */
export function mediaFragment(address: string): string {
  const at = address.indexOf("#");
  const fragment = at < 0 ? "" : address.slice(at);
  return PART.test(fragment) ? fragment : "";
}
