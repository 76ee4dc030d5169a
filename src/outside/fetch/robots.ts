import robotsParser from "robots-parser";

type Cached = { until: number; allows: (address: string) => boolean };
const cached = new Map<string, Cached>();
const KEEP = 60 * 60 * 1000;
const MOST = 500;

/**
 * Whether the site lets programs fetch this address (RFC 9309). No robots.txt, or one that answers 4xx, allows
 * everything (§2.3.1.3); one that cannot be reached or answers 5xx forbids (§2.3.1.4).
 */
export async function robotsAllow(
  url: URL,
  get: (robots: URL) => Promise<{ status: number; text: string }>,
): Promise<boolean> {
  const known = cached.get(url.origin);
  if (known && known.until > Date.now()) return known.allows(url.href);
  const address = new URL("/robots.txt", url);
  let allows: Cached["allows"] = () => true;
  try {
    const { status, text } = await get(address);
    if (status >= 500) allows = () => false;
    else if (status < 300) {
      const rules = robotsParser(address.href, text);
      allows = (page) => rules.isAllowed(page, "Hobbin") !== false;
    }
  } catch {
    allows = () => false;
  }
  if (cached.size >= MOST) cached.clear();
  cached.set(url.origin, { until: Date.now() + KEEP, allows });
  return allows(url.href);
}
