/**
 * A licence: an id of SPDX (https://spdx.org/licenses/) where there is one; `CC-BY` and its like where a page does not say
 * which version; or one of ours, for what no public licence says.
 */
export type Licence = string;

/** What no public licence says. */
export const OURS = {
  own: "Our own work",
  permission: "With permission",
  reserved: "All rights reserved",
} as const;

/** Those people choose among, the freest first; any other id of SPDX can be typed. */
export const CHOICES: readonly Licence[] = [
  ...["CC0-1.0", "CC-PDM-1.0", "CC-BY-4.0", "CC-BY-SA-4.0", "CC-BY-NC-4.0", "CC-BY-NC-SA-4.0"],
  ...["CC-BY-ND-4.0", "CC-BY-NC-ND-4.0", "CC-BY-3.0", "CC-BY-SA-3.0", "OGL-UK-3.0"],
  ...["own", "permission", "reserved"],
];

/** What it is called: “CC BY-SA 4.0”, “Public domain”, “MIT”. */
export function sayLicence(id: Licence): string {
  if (id in OURS) return OURS[id as keyof typeof OURS];
  if (id === "CC0-1.0") return "CC0 1.0";
  if (id.startsWith("CC-PDM")) return "Public domain";
  const [, terms, version = "", port = ""] = /^CC-(BY[A-Z-]*?)(?:-(\d\.\d))?(?:-([A-Z]+))?$/.exec(id) ?? [];
  return terms ? ["CC", terms, version, port].filter(Boolean).join(" ") : id;
}

/** Where it can be read; null for what is none of the public ones. */
export function licenceAddress(id: Licence): string | null {
  if (id in OURS) return null;
  if (id === "CC0-1.0") return "https://creativecommons.org/publicdomain/zero/1.0/";
  if (id.startsWith("CC-PDM")) return "https://creativecommons.org/publicdomain/mark/1.0/";
  const [, terms, version, port] = /^CC-(BY[A-Z-]*?)(?:-(\d\.\d))?(?:-([A-Z]+))?$/.exec(id) ?? [];
  if (terms)
    return version
      ? `https://creativecommons.org/licenses/${terms.toLowerCase()}/${version}/${port ? `${port.toLowerCase()}/` : ""}`
      : "https://creativecommons.org/licenses/";
  return `https://spdx.org/licenses/${id}.html`;
}

/**
 * Whether the work may be handed on as it is, by what its licence is made for: `yes`, `link` (it may only be linked to),
 * or `unknown`. No advice on law: what a licence asks for when it is handed on stands in it.
 */
export function mayHandOn(id: Licence | ""): "yes" | "link" | "unknown" {
  if (id === "") return "unknown";
  return id === "reserved" ? "link" : "yes";
}
