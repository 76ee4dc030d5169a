import { eq } from "drizzle-orm";
import { findResource, touchCollectionsOf } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RemoveResource {
  @Id() resource: string;
}

export const removeResource = action({
  name: "resources.remove",
  about: "Puts a resource into the bin, out of every collection it stands in.",
  input: RemoveResource,
  allow: can.arrange("resource"),
  run: async ({ input, tx, tell, did }) => {
    const row = (await findResource(tx, input.resource))!;
    await tx.update(resource).set({ deletedAt: now() }).where(eq(resource.id, input.resource));
    await touchCollectionsOf(tx, [input.resource], now());
    tell({ subject: input.resource, data: { title: row.title } });
    const deed = did("delete from the catalogue", [
      { thing: "resource", id: input.resource, before: { gone: false }, after: { gone: true } },
    ]);
    return { removed: input.resource, deed };
  },
});
