/** What is wrong with an address somebody gave; the words for it are the interface's. */
export type AddressProblem = "empty" | "not-an-address" | "not-a-web-address" | "has-password";
export type AddressReading =
  { ok: true; address: string; host: string } | { ok: false; problem: AddressProblem };

const LONGEST = 2_000;
const NAME =
  /^(?:[\p{L}\p{N}](?:[\p{L}\p{N}-]*[\p{L}\p{N}])?\.)+[\p{L}][\p{L}\p{N}-]*[\p{L}\p{N}](?::\d+)?(?:[/?#]|$)/u;

/**
 * Reads what a person pasted as one web address. Parsing follows the WHATWG URL standard; a bare
 * `site.example/page` is taken as https, and surrounding quotes, brackets and blanks fall away.
 * The address comes back as it will be fetched, with its fragment.
 * @param pasted what somebody pasted or typed, at most one address, with or without a scheme
 * @example
 * readAddress("bog.example/fires"); // { ok: true, address: "https://bog.example/fires", host: "bog.example" }
 */
export function readAddress(pasted: string): AddressReading {
  const text = pasted
    .trim()
    .replace(/^[<("'“‘]+/, "")
    .replace(/[>"'”’]+$/, "");
  return /\s/.test(text) ? { ok: false, problem: "not-an-address" } : read(text);
}

/**
 * Reads an address as a file has it: nothing falls away, as what stands there is what its program wrote. Blanks in it are
 * encoded, as the URL standard does it.
 * @param written the whole value of the place where the file has it
 * @example
 * addressOfFile("https://bog.example/a b'"); // { ok: true, address: "https://bog.example/a%20b'", host: "bog.example" }
 */
export function addressOfFile(written: string): AddressReading {
  const text = written.trim();
  // In a cell of a table there may be two, or one with a word around it.
  if (/\s(?:https?:\/\/|www\.)/i.test(text)) return { ok: false, problem: "not-an-address" };
  const found = read(text);
  return found.ok ? found : readAddress(written);
}

function read(text: string): AddressReading {
  if (!text) return { ok: false, problem: "empty" };
  if (text.length > LONGEST) return { ok: false, problem: "not-an-address" };
  const url = parse(text) ?? (NAME.test(text) ? parse(`https://${text}`) : undefined);
  if (!url || !canBeAName(url.hostname)) return { ok: false, problem: "not-an-address" };
  if (url.protocol !== "http:" && url.protocol !== "https:") {
    // "site.example:8080/page" parses as a scheme of its own.
    const again = NAME.test(text) ? parse(`https://${text}`) : undefined;
    if (!again) return { ok: false, problem: "not-a-web-address" };
    return { ok: true, address: again.href, host: shownHost(again) };
  }
  if (url.username || url.password) return { ok: false, problem: "has-password" };
  if (!url.hostname) return { ok: false, problem: "not-an-address" };
  return { ok: true, address: url.href, host: shownHost(url) };
}

/** RFC 1035 §2.3.4: a name has at most 253 characters as it is written, each part of it 63. */
const canBeAName = (host: string): boolean =>
  host.length <= 253 && host.split(".").every((part) => part.length <= 63);

/** The host as people write it: without a leading www. */
function shownHost(url: URL): string {
  return url.host.replace(/^www\./, "");
}

function parse(text: string): URL | undefined {
  try {
    return new URL(text);
  } catch {
    return undefined;
  }
}

/**
 * A reference in a page, resolved against that page's address (RFC 3986 §5); undefined unless it is http(s).
 * @param reference as it stands in the page, relative or whole
 * @param base the address of the page, or of its `<base>`
 */
export function resolveReference(reference: string | undefined | null, base: string): string | undefined {
  if (!reference?.trim()) return undefined;
  try {
    const url = new URL(reference.trim(), base);
    return url.protocol === "http:" || url.protocol === "https:" ? url.href : undefined;
  } catch {
    return undefined;
  }
}
