import { action, mustBeOwnAndFresh } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveResource {
  @Id() resource: string;
}

export const removeResource = action({
  name: "resources.remove",
  about: "Puts a resource into the bin, out of every collection it stands in.",
  input: RemoveResource,
  allow: can.arrange("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: "delete from the catalogue",
  run: async ({ input, actor, locked, at, remove }) => {
    const row = locked.resource(input.resource);
    mustBeOwnAndFresh(actor, row, at);
    await remove("resource", row, { say: { title: row.title } });
    return { removed: row.id };
  },
});
