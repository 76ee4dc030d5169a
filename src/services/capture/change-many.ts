import { eq, inArray } from "drizzle-orm";
import { KINDS } from "@/core/page/facts";
import { difference } from "@/core/undo/change";
import { touchCollectionsOf } from "@/data/queries/resources";
import { resource } from "@/data/schema";
import { now } from "@/outside/clock";
import { action } from "../action";
import { resourcesOf } from "../all-of-team";
import { Id, Ids, OneOf } from "../input";
import { can } from "../policy";

class SetKinds {
  @Id() team: string;
  @Ids() resources: string[];
  @OneOf(KINDS) kind: (typeof KINDS)[number];
}

export const setKinds = action({
  name: "resources.set-kind",
  about: "Says of several resources what kind they are.",
  input: SetKinds,
  allow: can.bring("team"),
  run: async ({ input, tx, tell, did }) => {
    const rows = await resourcesOf(tx, input.resources, input.team);
    const changes = [];
    for (const row of rows) {
      const change = { kind: input.kind, typed: [...new Set([...row.typed, "kind"])] };
      await tx
        .update(resource)
        .set({ ...change, updatedAt: now() })
        .where(eq(resource.id, row.id));
      changes.push(difference("resource", row.id, row, change));
      tell({ subject: row.id, verb: "resources.edit" });
    }
    const ids = rows.map((row) => row.id);
    await touchCollectionsOf(tx, ids, now());
    return { changed: ids.length, deed: did(`change the kind of ${ids.length}`, changes, "bring") };
  },
});

class RemoveResources {
  @Id() team: string;
  @Ids() resources: string[];
}

export const removeResources = action({
  name: "resources.remove-many",
  about: "Puts several resources into the bin, out of every collection they stand in.",
  input: RemoveResources,
  allow: can.arrange("team"),
  run: async ({ input, tx, tell, did }) => {
    const rows = await resourcesOf(tx, input.resources, input.team);
    const ids = rows.map((row) => row.id);
    const at = now();
    if (ids.length) await tx.update(resource).set({ deletedAt: at }).where(inArray(resource.id, ids));
    await touchCollectionsOf(tx, ids, at);
    for (const row of rows) tell({ subject: row.id, verb: "resources.remove", data: { title: row.title } });
    const deed = did(
      `delete ${ids.length} from the catalogue`,
      ids.map((id) => ({ thing: "resource", id, before: { gone: false }, after: { gone: true } })),
    );
    return { removed: ids.length, deed };
  },
});
