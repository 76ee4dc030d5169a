import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RestoreResource {
  @Id() resource: string;
}

export const restoreResource = action({
  name: "bin.restore-resource",
  about: "Puts a resource back, in every collection it stood in.",
  input: RestoreResource,
  allow: can.restore("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: "put something back in the catalogue",
  run: async ({ input, locked, restore }) => {
    const row = locked.resource(input.resource);
    if (row.deletedAt) await restore("resource", row);
    return { restored: input.resource };
  },
});
