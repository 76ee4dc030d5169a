import { pointedTo } from "@/core/uses/portfolio";
import type { Tx } from "@/data/database";
import { publicCollections } from "@/data/queries/sharing";
import { teamsOf } from "@/data/queries/teams";
import { addressOfHobbin } from "../accounts/address";
import { allItems } from "../reader/published-collection";

/** The address a shared collection is read at. */
export const addressOf = (code: string): string => `${addressOfHobbin()}/c/${code}`;

/** What somebody can put into a portfolio: the public collections of all their teams, the one changed last first, but for itself. */
export async function offered(tx: Tx, person: string, portfolio: string, at: Date) {
  const teams = (await teamsOf(tx, person)).map((one) => one.id);
  return (await publicCollections(tx, teams, at)).filter((one) => one.id !== portfolio);
}

/** The codes of the collections that stand in a portfolio. */
export async function codesIn(tx: Tx, portfolio: string): Promise<Set<string>> {
  const home = addressOfHobbin();
  return new Set(
    (await allItems(tx, portfolio)).flatMap(({ resource }) => {
      const pointed = pointedTo(resource.address, home);
      return pointed?.isWhole ? [pointed.code] : [];
    }),
  );
}
