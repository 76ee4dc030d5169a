import { eq } from "drizzle-orm";
import { findResource, touchCollectionsOf } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { fileJob } from "../files/capture-file";
import { Id } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { fetchJob } from "./blank";

class FetchAgain {
  @Id() resource: string;
}

export const fetchAgain = action({
  name: "resources.fetch-again",
  about: "Reads the page again. Where something is known already, what differs is laid before people first.",
  input: FetchAgain,
  allow: can.bring("resource"),
  run: async ({ input, scope, tx, tell, later }) => {
    const row = (await findResource(tx, input.resource))!;
    if (!row.address && !row.fileName)
      throw new Problem("not-valid", "This has no address that could be read again.");
    await tx
      .update(resource)
      .set({ fetchState: "waiting", fetchProblem: null, updatedAt: now() })
      .where(eq(resource.id, input.resource));
    await touchCollectionsOf(tx, [input.resource], now());
    const again = fetchJob(input.resource, scope.team!, now());
    later(
      row.fileName
        ? fileJob(row.id, row.team)
        : { ...again, payload: { ...again.payload, propose: row.fetchState === "done" } },
    );
    tell({ subject: input.resource });
    return { resource: input.resource };
  },
});
