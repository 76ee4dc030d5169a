import { and, eq, isNull } from "drizzle-orm";
import { mailAddress } from "@/data/schema";
import { now } from "@/outside/clock";
import { newCode, newId } from "@/outside/random";
import { settings } from "@/outside/settings";
import { action } from "../action";
import { Id, MaybeId } from "../input";
import { can } from "../policy";
import { mustBeOfTeam } from "../same-team";

class MakeAddress {
  @Id() team: string;
  /** The collection what is sent goes to; without one the Tray. */
  @MaybeId() collection?: string | null;
}

export const makeMailAddress = action({
  name: "mail.make-address",
  about:
    "Makes a new address that takes mail; the one that led to the same place before takes none any more.",
  input: MakeAddress,
  allow: can.bring("team"),
  run: async ({ input, scope, tx }) => {
    if (input.collection) await mustBeOfTeam(tx, "collection", input.collection, input.team);
    const person = scope.person!;
    const at = now();
    await tx
      .update(mailAddress)
      .set({ revokedAt: at })
      .where(
        and(
          eq(mailAddress.person, person),
          eq(mailAddress.team, input.team),
          input.collection ? eq(mailAddress.collection, input.collection) : isNull(mailAddress.collection),
          isNull(mailAddress.revokedAt),
        ),
      );
    const local = `in.${newCode()}`;
    await tx.insert(mailAddress).values({
      id: newId(),
      local,
      team: input.team,
      person,
      collection: input.collection ?? null,
      createdAt: at,
    });
    return { address: `${local}@${settings().mailInHost}` };
  },
});
