import { isTrackingParameter } from "./tracking-parameters";

/**
 * The form of an address in which two that lead to the same page are equal letter by letter. It is for comparing
 * only; what is fetched and shown is the address as given.
 *
 * Made equal, as RFC 3986 §6.2.2 and §6.2.3 allow: case of scheme and host, percent-encoding of unreserved
 * characters, case of its digits, dot segments, default port, an empty path. Beyond the standard, as common
 * practice of web archives: http and https, a leading `www.` or that of a mobile edition (`m.`, `mobile.`), tracking
 * parameters, the order of parameters, a trailing slash, the name of an index page, and the fragment unless it works as a
 * path (`#/…`, `#!…`) or names a passage (`:~:`).
 *
 * @param address an absolute http(s) address
 */
export function sameAddress(address: string): string {
  const url = new URL(address);
  const host = url.hostname.replace(/\.$/, "").replace(MOBILE, "");
  const port = url.port && url.port !== "443" && url.port !== "80" ? `:${url.port}` : "";
  const path = evenEncoding(url.pathname).replace(INDEX, "").replace(/\/+$/, "");
  return `//${host}${port}${path}${query(url)}${fragment(url)}`;
}

/** The front of a host that names an edition, where a whole site follows it: `m.bog.example`, not `m.example`. */
const MOBILE = /^(www\d?|m|mobile)\.(?=[^.]+\.[^.]+)/;
const INDEX = /\/(index|default)\.(html?|php|aspx?|jsp|cfm)$/i;

function query(url: URL): string {
  const kept = url.search
    .slice(1)
    .split("&")
    .filter((pair) => pair && !isTrackingParameter(decode(pair.split("=")[0]!), url.hostname))
    .map(evenEncoding)
    .sort();
  return kept.length ? `?${kept.join("&")}` : "";
}

function fragment(url: URL): string {
  const text = url.hash.slice(1);
  return /^(\/|!|:~:)/.test(text) ? `#${evenEncoding(text)}` : "";
}

/** RFC 3986 §6.2.2.1 and §6.2.2.2: upper-case digits, and unreserved characters never encoded. */
function evenEncoding(text: string): string {
  return text.replace(/%[0-9a-f]{2}/gi, (code) => {
    const char = String.fromCharCode(parseInt(code.slice(1), 16));
    return /[A-Za-z0-9._~-]/.test(char) ? char : code.toUpperCase();
  });
}

function decode(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}
