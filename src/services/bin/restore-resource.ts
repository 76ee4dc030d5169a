import { eq } from "drizzle-orm";
import { touchCollectionsOf } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RestoreResource {
  @Id() resource: string;
}

export const restoreResource = action({
  name: "bin.restore-resource",
  about: "Puts a resource back, in every collection it stood in.",
  input: RestoreResource,
  allow: can.restore("resource"),
  run: async ({ input, tx, tell }) => {
    await tx
      .update(resource)
      .set({ deletedAt: null, updatedAt: now() })
      .where(eq(resource.id, input.resource));
    await touchCollectionsOf(tx, [input.resource], now());
    tell({ subject: input.resource });
    return { restored: input.resource };
  },
});
