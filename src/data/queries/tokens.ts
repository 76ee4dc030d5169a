import { and, eq, gte, isNull } from "drizzle-orm";
import type { Tx } from "../database";
import { accessToken, pairing, person } from "../schema";
import { isLost } from "../transaction";

/** Whose token this is, and notes that it was used; null when there is none or it was revoked. */
export async function personOfToken(tx: Tx, hash: string, at: Date) {
  const rows = await tx
    .select({
      token: accessToken.id,
      scope: accessToken.scope,
      id: person.id,
      name: person.name,
      email: person.email,
      lastUsedAt: accessToken.lastUsedAt,
    })
    .from(accessToken)
    .innerJoin(person, eq(person.id, accessToken.person))
    .where(and(eq(accessToken.hash, hash), isNull(accessToken.revokedAt)));
  const row = rows[0];
  if (!row) return null;
  // Once a minute is often enough to tell which tokens are in use.
  if (!row.lastUsedAt || at.getTime() - row.lastUsedAt.getTime() > 60_000)
    await tx
      .update(accessToken)
      .set({ lastUsedAt: at })
      .where(eq(accessToken.id, row.token))
      // Not worth a refusal: it is noted the next time.
      .catch((error: unknown) => {
        if (!isLost(error)) throw error;
      });
  return { id: row.id, name: row.name, email: row.email, scope: row.scope, token: row.token };
}

/** Writes down an access token, by its hash. */
export async function addToken(tx: Tx, row: typeof accessToken.$inferInsert): Promise<void> {
  await tx.insert(accessToken).values(row);
}

/** The tokens of a person that hold, without their secrets. */
export async function tokensOf(tx: Tx, personId: string) {
  return tx
    .select({
      id: accessToken.id,
      name: accessToken.name,
      scope: accessToken.scope,
      createdAt: accessToken.createdAt,
      lastUsedAt: accessToken.lastUsedAt,
    })
    .from(accessToken)
    .where(and(eq(accessToken.person, personId), isNull(accessToken.revokedAt)))
    .orderBy(accessToken.id);
}

/** A token of one's own opens nothing any more. */
export async function endToken(tx: Tx, id: string, personId: string, revokedAt: Date): Promise<void> {
  await tx
    .update(accessToken)
    .set({ revokedAt })
    .where(and(eq(accessToken.id, id), eq(accessToken.person, personId)));
}

/** Ends all access tokens of a person, those of paired browsers too, and offers of pairing. */
export async function endTokensOf(tx: Tx, personId: string, revokedAt: Date): Promise<void> {
  await tx
    .update(accessToken)
    .set({ revokedAt })
    .where(and(eq(accessToken.person, personId), isNull(accessToken.revokedAt)));
  await tx.delete(pairing).where(eq(pairing.person, personId));
}

/** Writes down the code a browser is paired by. */
export async function addPairing(tx: Tx, row: typeof pairing.$inferInsert): Promise<void> {
  await tx.insert(pairing).values(row);
}

/** Takes up an offered pairing, once. @returns who offered it, and what for; null when there is none made since then */
export async function takePairing(tx: Tx, hash: string, since: Date) {
  const [offer] = await tx
    .select({ person: pairing.person, name: person.name, scope: pairing.scope })
    .from(pairing)
    .innerJoin(person, eq(person.id, pairing.person))
    .where(and(eq(pairing.hash, hash), gte(pairing.createdAt, since)))
    .for("update");
  if (!offer) return null;
  await tx.delete(pairing).where(eq(pairing.hash, hash));
  return offer;
}
