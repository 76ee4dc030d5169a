import { and, eq, gt } from "drizzle-orm";
import { person, presence } from "@/data/schema";
import { now } from "@/outside/clock";
import { IsBoolean, IsOptional } from "class-validator";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

/** Who has said nothing for so long is not there any more, in milliseconds. The Bench says so every 20 s. */
const SILENCE = 45_000;

class BeHere {
  @Id() collection: string;
  @IsOptional() @IsBoolean() leave?: boolean;
}

export const beHere = action({
  name: "collections.be-here",
  about: "Says that one has a collection open, or no longer; answers with who else has.",
  input: BeHere,
  allow: can.see("collection"),
  run: async ({ input, scope, tx, tell }) => {
    const at = now();
    const me = { collection: input.collection, person: scope.person!, seenAt: at };
    const since = new Date(at.getTime() - SILENCE);
    const own = and(eq(presence.collection, me.collection), eq(presence.person, me.person));
    const [before] = await tx.select().from(presence).where(own);
    if (input.leave) await tx.delete(presence).where(own);
    else
      await tx
        .insert(presence)
        .values(me)
        .onDuplicateKeyUpdate({ set: { seenAt: at } });
    // Told only when somebody comes or goes.
    if (input.leave || !before || before.seenAt < since)
      tell({ subject: me.person, collection: me.collection, verb: "presence" });
    const people = await tx
      .select({ id: person.id, name: person.name })
      .from(presence)
      .innerJoin(person, eq(person.id, presence.person))
      .where(and(eq(presence.collection, me.collection), gt(presence.seenAt, since)))
      .orderBy(person.name)
      .limit(50);
    return { people: people.filter((one) => one.id !== me.person) };
  },
});
