import { LRUCache } from "lru-cache";
import robotsParser from "robots-parser";

type Allows = (address: string) => boolean;
const KEEP = 60 * 60 * 1000;
/** So many characters of rules are kept at the most; what a site's few lines are read into counts as much again. */
const [MOST, EACH] = [16_000_000, 1_000];
const cached = new LRUCache<string, { allows: Allows; size: number }>({
  ...{ ttl: KEEP, maxSize: MOST, sizeCalculation: ({ size }) => size + EACH },
});

/**
 * Whether the site lets programs fetch this address (RFC 9309). No robots.txt, or one that answers 4xx, allows
 * everything (§2.3.1.3); one that cannot be reached or answers 5xx forbids (§2.3.1.4).
 */
export async function robotsAllow(
  url: URL,
  get: (robots: URL) => Promise<{ status: number; text: string }>,
): Promise<boolean> {
  const known = cached.get(url.origin);
  if (known) return known.allows(url.href);
  const address = new URL("/robots.txt", url);
  let allows: Allows = () => true;
  let size = 0;
  try {
    const { status, text } = await get(address);
    if (status >= 500) allows = () => false;
    else if (status < 300) {
      const rules = robotsParser(address.href, text);
      size = 2 * text.length;
      allows = (page) => rules.isAllowed(page, "Hobbin") !== false;
    }
  } catch {
    allows = () => false;
  }
  cached.set(url.origin, { allows, size });
  return allows(url.href);
}
