import { eq, sql } from "drizzle-orm";
import { findCollection } from "@/data/queries/collections";
import { collection, shareLink } from "@/data/schema";
import { now } from "@/outside/clock";
import { newShareCode } from "@/outside/random";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";

class RenewLink {
  @Id() collection: string;
}

export const renewLink = action({
  name: "share.renew",
  about: "Gives a shared collection a new link; the old one stops working at once.",
  input: RenewLink,
  allow: can.publish("collection"),
  run: async ({ input, tx, tell }) => {
    const found = (await findCollection(tx, input.collection))!;
    if (found.audience === "team")
      throw new Problem("conflict", "Share the collection first; it has no link now.");
    const at = now();
    await tx.update(shareLink).set({ revokedAt: at }).where(eq(shareLink.collection, found.id));
    const code = newShareCode();
    await tx.insert(shareLink).values({ code, collection: found.id, createdAt: at });
    await tx
      .update(collection)
      .set({ version: sql`${collection.version} + 1` })
      .where(eq(collection.id, found.id));
    tell({ subject: found.id, collection: found.id });
    return { code };
  },
});
