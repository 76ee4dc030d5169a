import { KINDS } from "@/core/page/facts";
import { action } from "@/mechanism/action";
import { Id, Ids, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { mustReachResources } from "@/mechanism/sight";

class SetKinds {
  @Id() team: string;
  @Ids() resources: string[];
  @OneOf(KINDS) kind: (typeof KINDS)[number];
}

export const setKinds = action({
  name: "resources.set-kind",
  about: "Says of several resources what kind they are.",
  input: SetKinds,
  allow: can.bringHere("team"),
  locks: ({ input }) => ({ resources: input.resources }),
  history: ({ changes }) => `change the kind of ${changes.length}`,
  run: async ({ input: { team, resources, kind }, scope, tx, locked, change }) => {
    const rows = locked.resourcesOf(resources, team);
    await mustReachResources(tx, scope, resources, "bring");
    await change("resource", rows, ({ typed }) => ({ kind, typed: [...new Set([...typed!, "kind"])] }));
    return { changed: rows.length };
  },
});
