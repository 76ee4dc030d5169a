import { keysAfter } from "@/core/order/place";
import type { Tx } from "@/data/database";
import { findCollection, lastPosition, lockTeam } from "@/data/queries/collections";
import { collection } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id, MaybeId, MaybeText, Name } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { mustBeOfTeam } from "../same-team";

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
  run: async ({ input, tx, tell, did }) => {
    const id = await putCollection(tx, input);
    tell({ subject: id, collection: id, data: { title: input.title } });
    did("make a collection", [{ thing: "collection", id, before: { gone: true }, after: { gone: false } }]);
    return { collection: { id, title: input.title } };
  },
});

type NewCollection = {
  team: string;
  title: string;
  description?: string;
  parent?: string | null;
  collection?: string;
  createdAt?: Date;
};

/** Puts a collection behind its neighbours. The team is locked for it, so that two get different places. */
async function putCollection(tx: Tx, wish: NewCollection): Promise<string> {
  await lockTeam(tx, wish.team);
  if (wish.parent) await mustBeOfTeam(tx, "collection", wish.parent, wish.team);
  const id = wish.collection ?? newId();
  const there = wish.collection ? await findCollection(tx, id) : null;
  if (there && there.team !== wish.team) throw new Problem("conflict", "That id is taken.");
  if (there) return id;
  const [position] = keysAfter(await lastPosition(tx, wish.team, wish.parent ?? null), 1);
  const at = now();
  await tx.insert(collection).values({
    id,
    team: wish.team,
    parent: wish.parent ?? null,
    position: position!,
    title: wish.title,
    description: wish.description ?? "",
    createdAt: wish.createdAt ?? at,
    updatedAt: at,
  });
  return id;
}
