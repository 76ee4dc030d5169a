import { eq } from "drizzle-orm";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class UseResource {
  @Id() resource: string;
}

export const useResource = action({
  name: "resources.use",
  about: "Notes that somebody has opened a resource; it says when, not who.",
  input: UseResource,
  allow: can.see("resource"),
  run: async ({ input, tx }) => {
    const usedAt = now();
    await tx.update(resource).set({ usedAt }).where(eq(resource.id, input.resource));
    return { usedAt };
  },
});
