import ids from "spdx-license-ids/index.json" with { type: "json" };
import { type Licence, OURS } from "./known";

/** Creative Commons' licences without a version, as many pages name them. */
const VERSIONLESS = /^CC-BY(-NC)?(-SA|-ND)?$/;
const BY_SMALL = new Map(ids.map((id) => [id.toLowerCase(), id]));

/** The id of a licence as it is written; null for what is none that is known. */
export function licenceId(text: string): Licence | null {
  const wanted = text.trim();
  if (wanted in OURS) return wanted;
  const upper = wanted.toUpperCase();
  return BY_SMALL.get(wanted.toLowerCase()) ?? (VERSIONLESS.test(upper) ? upper : null);
}
