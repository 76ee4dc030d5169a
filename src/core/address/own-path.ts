/** Any origin will do, as long as it is nobody's. */
const OWN = "https://own.invalid";

/**
 * A path of this application to go to next, from an address anybody may have put together. It is read as browsers read
 * it (WHATWG URL standard): they leave out tabs and line breaks and take a backslash for a slash, so that `/\t/site`
 * leads to another site.
 * @param next as it stands in the address; undefined: none
 * @returns path, query and fragment; `/` for what leads anywhere else
 * @example
 * ownPath("/bench/1?view=rows"); // "/bench/1?view=rows"
 * ownPath("//evil.example"); // "/"
 */
export function ownPath(next: string | undefined): string {
  try {
    const url = new URL(next ?? "/", OWN);
    const path = `${url.pathname}${url.search}${url.hash}`;
    // With what leads upwards taken out, a path may begin with two slashes and be another site after all.
    const stays = url.origin === OWN && new URL(path, OWN).origin === OWN;
    return stays && next?.startsWith("/") ? path : "/";
  } catch {
    return "/";
  }
}
