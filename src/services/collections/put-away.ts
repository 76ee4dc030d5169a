import { IsBoolean } from "class-validator";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class PutAway {
  @Id() collection: string;
  @IsBoolean() away: boolean;
}

export const putAway = action({
  name: "collections.put-away",
  about: "Puts a collection out of the way, or back. It keeps its place, its items and its links.",
  input: PutAway,
  allow: can.arrange("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: ({ input }) => (input.away ? "put a collection away" : "take a collection out again"),
  run: async ({ input, locked, at, change }) => {
    const before = locked.collection(input.collection);
    const awayAt = input.away ? at : null;
    await change("collection", before, { awayAt });
    return { collection: { id: before.id, awayAt } };
  },
});
