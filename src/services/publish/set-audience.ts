import { eq, sql } from "drizzle-orm";
import { AUDIENCES, READER_VIEWS } from "@/core/publish/model";
import { lockCollection, shareCodeOf } from "@/data/queries/collections";
import { collection, shareLink } from "@/data/schema";
import { now } from "@/outside/clock";
import { newShareCode } from "@/outside/random";
import { action } from "../action";
import { Id, MaybeOneOf } from "../input";
import { can } from "../policy";

class SetAudience {
  @Id() collection: string;
  @MaybeOneOf(AUDIENCES) audience?: (typeof AUDIENCES)[number];
  @MaybeOneOf(READER_VIEWS) view?: (typeof READER_VIEWS)[number];
}

export const setAudience = action({
  name: "share.set",
  about: "Decides who can see a collection, and in which view readers first see it.",
  input: SetAudience,
  allow: can.publish("collection"),
  run: async ({ input, tx, tell }) => {
    const before = (await lockCollection(tx, input.collection))!;
    const audience = input.audience ?? before.audience;
    const view = input.view ?? before.view;
    await tx
      .update(collection)
      .set({ audience, view, version: sql`${collection.version} + 1`, updatedAt: now() })
      .where(eq(collection.id, before.id));
    let code = await shareCodeOf(tx, before.id);
    // The same link comes back when sharing was only paused; a new one has to be asked for.
    if (audience !== "team" && !code) {
      code = newShareCode();
      await tx.insert(shareLink).values({ code, collection: before.id, createdAt: now() });
    }
    tell({ subject: before.id, collection: before.id, data: { before: before.audience, after: audience } });
    return { audience, view, code: audience === "team" ? null : code };
  },
});
