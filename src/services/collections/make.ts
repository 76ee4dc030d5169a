import { keysAfter } from "@/core/order/place";
import { findCollection, lastPosition } from "@/data/queries/collections";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeText, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

class MakeCollection {
  @Id() team: string;
  @Name("a title", 200) title: string;
  @MaybeText(4000) description?: string;
  @MaybeId() parent?: string | null;
  @MaybeId() collection?: string;
}

export const makeCollection = action({
  name: "collections.make",
  about: "Makes a collection, at the top of the team or inside another one. An id sent twice makes one.",
  input: MakeCollection,
  allow: can.arrange("team"),
  locks: ({ input }) => ({ team: true, collections: [input.parent, input.collection] }),
  history: "make a collection",
  run: async ({ input, tx, locked, at, add }) => {
    const { team, title, description = "", parent = null } = input;
    if (parent) locked.mustBeOfTeam("collection", parent, team);
    const id = input.collection ?? newId();
    const there = input.collection ? await findCollection(tx, id) : null;
    if (there && there.team !== team) throw new Problem("id-taken");
    if (!there) {
      const [position] = keysAfter(await lastPosition(tx, team, parent), 1);
      const times = { createdAt: at, updatedAt: at };
      const row = { id, team, parent, position: position!, title, description, ...times };
      await add("collection", row, { say: { title } });
    }
    return { collection: { id, title } };
  },
});
