import { eq } from "drizzle-orm";
import type { Tx } from "../database";
import { person } from "../schema";

/** The mail address of a person is theirs. */
export async function confirmAddress(tx: Tx, id: string): Promise<void> {
  await tx.update(person).set({ emailVerified: true }).where(eq(person.id, id));
}
