import { byRule, type HouseRule, writtenRule } from "@/core/health/house";
import { readAddress } from "@/core/address/read-address";
import type { Tx } from "@/data/database";
import { linksAt } from "@/data/queries/links";
import { reading } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { ADDRESS_WORDS } from "../capture/say-address";

/** So many addresses of a site are led elsewhere at once. */
export const MOST_OF_HOUSE = 200;
/** Of one site so many are looked through. */
const LOOKED_THROUGH = 5_000;

export class HouseAt {
  @Id() team: string;
  /** What the addresses begin with that have moved. */
  @Name("an address", 2_000) from: string;
  /** What they begin with now. */
  @Name("an address", 2_000) to: string;
}

export const houseAt = reading({
  name: "links.house",
  about:
    "Which addresses of a team would lead elsewhere if everything at a site that begins with one address began with another: each with where it would lead.",
  input: HouseAt,
  allow: can.see("team"),
  run: async ({ input, tx }) => {
    const rows = await ledBy(tx, input);
    return { links: rows.slice(0, MOST_OF_HOUSE), more: rows.length > MOST_OF_HOUSE };
  },
});

/** What stands somewhere and is led elsewhere by the rule; one more than is taken at once. */
export async function ledBy(tx: Tx, { team, from, to }: HouseAt) {
  const { rule, host } = houseRule(from, to);
  const rows = await linksAt(tx, team, host, LOOKED_THROUGH);
  return rows.flatMap((row) => {
    const led = byRule(rule, row.address);
    return led ? [{ ...row, to: led, isSaid: row.movedTo === led }] : [];
  });
}

/**
 * A rule as somebody wrote it down, and the site it is of.
 * @throws {Problem} address-not-taken, beside its field
 */
export function houseRule(from: string, to: string): { rule: HouseRule; host: string } {
  const { host } = taken("from", from);
  taken("to", to);
  const rule = writtenRule(from, to);
  if (!rule) throw fieldProblem("from", "address-not-taken");
  return { rule, host };
}

function taken(field: "from" | "to", address: string) {
  const read = readAddress(address);
  if (!read.ok) throw fieldProblem(field, "address-not-taken", ADDRESS_WORDS[read.problem]);
  return read;
}
