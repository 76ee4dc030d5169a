import { noteUse } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class UseResource {
  @Id() resource: string;
}

export const useResource = action({
  name: "resources.use",
  about: "Notes that somebody has opened a resource; it says when, not who.",
  input: UseResource,
  allow: can.see("resource"),
  locks: null,
  history: null,
  run: async ({ input, tx, at }) => {
    await noteUse(tx, input.resource, at);
    return { usedAt: at };
  },
});
