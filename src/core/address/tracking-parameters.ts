import rules from "tidy-url/data/rules.js";

/**
 * Names of query parameters that say where a visitor came from and nothing about the page: the list that the package
 * tidy-url maintains, its general part for every site and its parts for single sites. Rules of it that rewrite addresses or follow
 * them are not used: what is compared must not depend on guesses about what a site does.
 */
const GENERAL = new Set(rules.filter((one) => one.name === "Global").flatMap((one) => names(one.rules)));
const BY_SITE = rules.filter((one) => one.name !== "Global" && one.match && one.rules?.length);

/** Families the list names only in part, and some it does not name; common practice, no single source. */
const FAMILIES = /^(utm_|pk_|mtm_|piwik_|matomo_|hsa_|itm_|at_campaign|at_medium|ns_|oly_|vero_)/;
const MORE = new Set([
  "gbraid",
  "wbraid",
  "twclid",
  "ttclid",
  "li_fat_id",
  "mkt_tok",
  "_ga",
  "_gl",
  "srsltid",
  "cmpid",
  "ncid",
  "ref_src",
  "ref_url",
  "s_cid",
  "igsh",
]);

function names(list: readonly string[] | undefined): string[] {
  return (list ?? []).map((name) => name.toLowerCase());
}

/**
 * Whether a query parameter of this name only tracks, on this site. Case does not matter.
 * @param name of the parameter, in any case
 * @param host of the address; empty: only what tracks everywhere
 */
export function isTrackingParameter(name: string, host = ""): boolean {
  const lower = name.toLowerCase();
  if (GENERAL.has(lower) || MORE.has(lower) || FAMILIES.test(lower)) return true;
  return BY_SITE.some((one) => one.match!.test(host) && names(one.rules).includes(lower));
}
