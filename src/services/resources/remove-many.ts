import { action } from "@/mechanism/action";
import { Id, Ids } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveResources {
  @Id() team: string;
  @Ids() resources: string[];
}

export const removeResources = action({
  name: "resources.remove-many",
  about: "Puts several resources into the bin, out of every collection they stand in.",
  input: RemoveResources,
  allow: can.arrange("team"),
  locks: ({ input }) => ({ resources: input.resources }),
  history: ({ changes }) => `delete ${changes.length} from the catalogue`,
  run: async ({ input, locked, remove }) => {
    const rows = locked.resourcesOf(input.resources, input.team);
    await remove("resource", rows, { say: ({ title }) => ({ title }) });
    return { removed: rows.length };
  },
});
