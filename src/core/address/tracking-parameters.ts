/**
 * Names of query parameters that say where a visitor came from and nothing about the page. Common practice,
 * no single source: the families that campaign, mail and advertising software documents for its customers.
 */
const NAMES = new Set([
  "fbclid",
  "gclid",
  "gclsrc",
  "dclid",
  "gbraid",
  "wbraid",
  "msclkid",
  "twclid",
  "ttclid",
  "li_fat_id",
  "yclid",
  "igshid",
  "igsh",
  "mc_cid",
  "mc_eid",
  "mkt_tok",
  "_hsenc",
  "_hsmi",
  "hsctatracking",
  "vero_id",
  "vero_conv",
  "oly_anon_id",
  "oly_enc_id",
  "_openstat",
  "wickedid",
  "rb_clickid",
  "s_cid",
  "ref_src",
  "ref_url",
  "_ga",
  "_gl",
  "sc_campaign",
  "sc_channel",
  "epik",
  "srsltid",
  "spm",
  "campaign_id",
  "cmpid",
  "ncid",
  "trk",
]);
const FAMILIES = /^(utm_|pk_|mtm_|piwik_|matomo_|hsa_|at_campaign|at_medium|ns_)/;

/** Whether a query parameter of this name only tracks. Case does not matter. */
export function isTrackingParameter(name: string): boolean {
  const lower = name.toLowerCase();
  return NAMES.has(lower) || FAMILIES.test(lower);
}
