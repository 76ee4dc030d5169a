import type { Role } from "@/core/policy/abilities";
import type { Tx } from "@/data/database";
import { lockGuest } from "@/data/queries/guests";
import { roleIn } from "@/data/queries/teams";

type Where = { team: string; collection: string | null };

/** As what somebody is where an invitation leads: in the team, or as a guest of the collection; null when neither. */
export const roleAt = async (tx: Tx, { team, collection }: Where, person: string): Promise<Role | null> =>
  (await roleIn(tx, team, person)) ?? (collection ? lockGuest(tx, collection, person) : null);
