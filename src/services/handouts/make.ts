import { IsBoolean } from "class-validator";
import { findHandout } from "@/data/queries/handouts";
import { findCollection } from "@/data/queries/collections";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeMoment } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";
import { storeEdition } from "./store-edition";

class MakeHandout {
  @Id() collection: string;
  @Id() group: string;
  @MaybeId() handout?: string;
  /** Whether learners write in it; otherwise they read and tick. */
  @IsBoolean() writes: boolean;
  /** From then on it is only read; null: it has no end. */
  @MaybeMoment() until?: string | null;
}

export const makeHandout = action({
  name: "handouts.make",
  about:
    "Hands a collection out to a group, as it stands and with everything inside: each of them has it for themselves, to read and tick, or to write in. An id sent twice hands it out once.",
  input: MakeHandout,
  allow: can.publish("collection"),
  // The tree; what of it stands inside is locked together, in its order.
  locks: ({ input }) => ({ team: true, groups: [input.group] }),
  history: "hand out",
  run: async ({ input, scope, tx, at, locked, add }) => {
    const [team, person] = [scope.team!, scope.person!];
    const group = locked.group(input.group);
    if (group.team !== team) throw new Problem("not-found");
    if (group.deletedAt) throw new Problem("in-bin");
    const id = input.handout ?? newId();
    const there = await findHandout(tx, id);
    if (there && there.team !== team) throw new Problem("id-taken");
    if (there) return { handout: { id, title: there.title } };
    const until = input.until ? new Date(input.until) : null;
    if (until && until <= at) throw fieldProblem("until", "date-is-over");
    const { title } = (await findCollection(tx, input.collection))!;
    const edition = (await storeEdition(tx, { team, collection: input.collection, person, at }, null))!;
    const row = {
      id,
      team,
      collection: input.collection,
      group: group.id,
      edition,
      title,
      writes: input.writes,
    };
    await add("handout", { ...row, until, createdBy: person, createdAt: at });
    return { handout: { id, title } };
  },
});
