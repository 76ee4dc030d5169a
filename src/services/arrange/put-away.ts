import { IsBoolean } from "class-validator";
import { eq } from "drizzle-orm";
import { difference } from "@/core/undo/change";
import { findCollection } from "@/data/queries/collections";
import { collection } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class PutAway {
  @Id() collection: string;
  @IsBoolean() away: boolean;
}

export const putAway = action({
  name: "collections.put-away",
  about: "Puts a collection out of the way, or back. It keeps its place, its items and its links.",
  input: PutAway,
  allow: can.arrange("collection"),
  run: async ({ input, tx, tell, did }) => {
    const before = (await findCollection(tx, input.collection))!;
    const awayAt = input.away ? now() : null;
    await tx.update(collection).set({ awayAt }).where(eq(collection.id, input.collection));
    const words = input.away ? "put a collection away" : "take a collection out again";
    const deed = did(words, [difference("collection", input.collection, before, { awayAt })]);
    tell({ subject: input.collection, collection: input.collection });
    return { collection: { id: input.collection, awayAt }, deed };
  },
});
