import { and, eq } from "drizzle-orm";
import { resource, twinApart } from "@/data/schema";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { mustBeOfTeam } from "../same-team";

class KeepApart {
  @Id() resource: string;
  @Id() other: string;
}

export const keepApart = action({
  name: "twins.apart",
  about: "Says that two resources are not the same thing; they are not named as twins again.",
  input: KeepApart,
  allow: can.bring("resource"),
  run: async ({ input, scope, tx, tell }) => {
    await mustBeOfTeam(tx, "resource", input.other, scope.team);
    const [a, b] = [input.resource, input.other].sort() as [string, string];
    await tx.insert(twinApart).values({ a, b, team: scope.team! }).onDuplicateKeyUpdate({ set: { a } });
    await tx
      .update(resource)
      .set({ twinOf: null })
      .where(and(eq(resource.id, b), eq(resource.twinOf, a)));
    tell({ subject: b, verb: "resources.apart", data: { other: a } });
    return { resource: b };
  },
});
