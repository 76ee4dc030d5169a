import { eq } from "drizzle-orm";
import { touchCollectionsOf } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { fetchJob } from "./blank";

class FetchAgain {
  @Id() resource: string;
}

export const fetchAgain = action({
  name: "resources.fetch-again",
  about: "Reads the page again. Fields a person typed stay.",
  input: FetchAgain,
  allow: can.bring("resource"),
  run: async ({ input, scope, tx, tell, later }) => {
    await tx
      .update(resource)
      .set({ fetchState: "waiting", fetchProblem: null, updatedAt: now() })
      .where(eq(resource.id, input.resource));
    await touchCollectionsOf(tx, [input.resource], now());
    later(fetchJob(input.resource, scope.team!, now()));
    tell({ subject: input.resource });
    return { resource: input.resource };
  },
});
