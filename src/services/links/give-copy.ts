import { IsBoolean } from "class-validator";
import { placementsOfResources } from "@/data/queries/links";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class GiveCopy {
  @Id() resource: string;
  /** Whether readers can read the copy; false: they are given the original alone. */
  @IsBoolean() gives: boolean;
}

export const giveCopy = action({
  name: "links.give-copy",
  about:
    "Lets readers have the copy that is kept of a page, wherever it stands, beside the way to it; or the original alone.",
  input: GiveCopy,
  allow: can.arrange("resource"),
  // With every collection it stands in: nothing comes or goes there meanwhile.
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: ({ input }) => (input.gives ? "give readers a copy" : "give readers the original alone"),
  run: async ({ input, tx, locked, change }) => {
    locked.resource(input.resource);
    const items = await placementsOfResources(tx, [input.resource]);
    const other = items.filter((one) => one.givesCopy !== input.gives);
    for (const item of other) await change("placement", item, { givesCopy: input.gives });
    return { resource: input.resource, items: other.length };
  },
});
