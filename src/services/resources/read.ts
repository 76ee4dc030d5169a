import { findResource, placesOf, withTags } from "@/data/queries/resources";
import { hitsOf } from "@/data/queries/rules";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { inSight } from "@/mechanism/sight";

class ReadResource {
  @Id() resource: string;
}

export const readResource = reading({
  name: "resources.read",
  about: "All fields of a resource, its tags, and where it stands.",
  input: ReadResource,
  allow: can.seeHere("resource"),
  run: async ({ input, scope, tx }) => {
    const row = (await findResource(tx, input.resource))!;
    const [tagged] = await withTags(tx, [row]);
    const { addressHash: _a, canonicalHash: _c, seenHash: _s, deletedAt: _d, ...fields } = tagged!;
    return {
      // What rules did tells of the team's ways, which a guest does not see.
      resource: { ...fields, hits: scope.sight ? [] : await hitsOf(tx, [input.resource]) },
      places: inSight(scope, await placesOf(tx, input.resource)),
    };
  },
});
