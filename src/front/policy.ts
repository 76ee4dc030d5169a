import { randomBytes } from "node:crypto";

/** What may be loaded into a page of the application: scripts by nonce alone. Videos play in frames of their own sites. */
const policyWith = (nonce: string) =>
  [
    "default-src 'self'",
    `script-src 'nonce-${nonce}' 'strict-dynamic'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "media-src 'self' blob: http: https:",
    "frame-src 'self' http: https:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'self'",
  ].join("; ");

/** Paths whose answers have a policy of their own, or are no pages. */
const OWN =
  /^\/(?:(?:c|api|list|_next|extension|fonts|pdf)\/|(?:go|public)(?:[/?]|$)|robots\.txt|sitemap\.xml)/;

/**
 * The policy of a page of the application (https://www.w3.org/TR/CSP3/), and the nonce of its scripts, another one each
 * time. Next reads the nonce from the request's own policy and puts it on its scripts.
 * @param path of the request
 * @returns null for what is no page, or has a policy of its own
 */
export function pagePolicy(path: string): { policy: string; nonce: string } | null {
  if (OWN.test(path)) return null;
  const nonce = randomBytes(16).toString("base64");
  return { policy: policyWith(nonce), nonce };
}

/** For a year everything is asked by https (RFC 6797), where the application is reached so. */
export const STRICT_TRANSPORT = "max-age=31536000";
