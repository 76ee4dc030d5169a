import type { Licence } from "./known";
import { licenceId } from "./licence-id";

/** By the words of Creative Commons' own names, longest first. */
const WORDS: readonly (readonly [RegExp, string])[] = [
  [/non-?commercial/, "NC"],
  [/share-?alike/, "SA"],
  [/no-?deriv/, "ND"],
];

/**
 * The licence an address or some words name, by the ways in which licences are written: addresses of Creative Commons, of
 * SPDX and of the Open Source Initiative; ids of SPDX; “CC BY-SA 4.0”; Creative Commons' names in full.
 * @param text what stands in `rel=license`, schema.org's `license`, `dc.rights`
 * @returns null where no licence is named that is known
 */
export function readLicence(text: string): Licence | null {
  const words = text.slice(0, 500).trim().toLowerCase();
  const [, kind, code = "", version = "", port = ""] =
    /creativecommons\.org\/(licenses|publicdomain)\/([a-z-]+)(?:\/(\d\.\d))?(?:\/([a-z]{2,3})(?![a-z.]))?/.exec(
      words,
    ) ?? [];
  if (kind) return ofCreativeCommons(code, version, port);
  const listed = /(?:spdx|opensource)\.org\/licenses?\/([\w.+-]+?)(?:\.html|\.json)?\/?$/.exec(words);
  if (listed) return licenceId(listed[1]!);
  if (/^public[ -]domain\b|^gemeinfrei\b|^domaine public\b/.test(words)) return "CC-PDM-1.0";
  if (/^all rights reserved\b/.test(words)) return "reserved";
  const short = /\bcc[ -]?(0|by(?:[ -](?:nc|sa|nd))*)(?:[ -]v?(\d\.\d))?\b/.exec(words);
  if (short)
    return ofCreativeCommons(short[1] === "0" ? "zero" : short[1]!.replace(/ /g, "-"), short[2] ?? "", "");
  if (/creative commons/.test(words) && /attribution|zero/.test(words)) {
    if (/zero/.test(words)) return "CC0-1.0";
    const terms = WORDS.filter(([pattern]) => pattern.test(words)).map(([, term]) => term);
    return ofCreativeCommons(["by", ...terms].join("-"), /\b(\d\.\d)\b/.exec(words)?.[1] ?? "", "");
  }
  return licenceId(text);
}

function ofCreativeCommons(code: string, version: string, port: string): Licence | null {
  if (code === "zero") return "CC0-1.0";
  if (code === "mark" || code === "publicdomain") return "CC-PDM-1.0";
  const plain = ["CC", code.toUpperCase(), version].filter(Boolean).join("-");
  return (port && licenceId(`${plain}-${port}`)) || licenceId(plain);
}

/** The one licence of Creative Commons a page's links lead to; null where they lead to several, which are for parts of it. */
export function onlyLicence(addresses: readonly string[]): Licence | null {
  const all = new Set(
    addresses
      .filter((one) => /creativecommons\.org\/(licenses|publicdomain)\/[a-z]/i.test(one))
      .flatMap((one) => readLicence(one) ?? []),
  );
  return all.size === 1 ? [...all][0]! : null;
}
