import { findResource, placesOf, withTags } from "@/data/queries/resources";
import { hitsOf } from "@/data/queries/rules";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadResource {
  @Id() resource: string;
}

export const readResource = reading({
  name: "resources.read",
  about: "All fields of a resource, its tags, and where it stands.",
  input: ReadResource,
  allow: can.see("resource"),
  run: async ({ input, tx }) => {
    const row = (await findResource(tx, input.resource))!;
    const [tagged] = await withTags(tx, [row]);
    const { addressHash: _a, canonicalHash: _c, seenHash: _s, deletedAt: _d, ...fields } = tagged!;
    return {
      resource: { ...fields, hits: await hitsOf(tx, [input.resource]) },
      places: await placesOf(tx, input.resource),
    };
  },
});
