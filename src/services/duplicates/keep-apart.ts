import { keepApart } from "@/data/queries/duplicates";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class KeepApart {
  @Id() resource: string;
  @Id() other: string;
}

export const keepResourcesApart = action({
  name: "duplicates.keep-apart",
  about: "Says that two resources are not the same thing; they are not named as likely duplicates again.",
  input: KeepApart,
  allow: can.bring("resource"),
  locks: ({ input }) => ({ resources: [input.resource, input.other] }),
  history: null,
  run: async ({ input, scope, tx, locked, emit }) => {
    locked.mustBeOfTeam("resource", input.other, scope.team);
    const newer = await keepApart(tx, scope.team!, input.resource, input.other);
    const older = newer === input.resource ? input.other : input.resource;
    emit({ subject: newer, verb: "resources.apart", data: { other: older } });
    return { resource: newer };
  },
});
