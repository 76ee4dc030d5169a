import { AUDIENCES, READER_VIEWS } from "@/core/publish/model";
import { addShareCode, shareCodeOf } from "@/data/queries/collections";
import { action } from "@/mechanism/action";
import { Id, MaybeOneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newShareCode } from "@/outside/random";

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
  locks: ({ input }) => ({ collections: [input.collection] }),
  // What left the team's hands is not taken back.
  history: null,
  run: async ({ input, tx, locked, at, change }) => {
    const before = locked.collection(input.collection);
    const { audience = before.audience, view = before.view } = input;
    await change("collection", before, { audience, view }, { verb: "share.set" });
    let code = await shareCodeOf(tx, before.id);
    // The same link comes back when sharing was only paused; a new one has to be asked for.
    if (audience !== "team" && !code) {
      code = newShareCode();
      await addShareCode(tx, before.id, code, at);
    }
    return { audience, view, code: audience === "team" ? null : code };
  },
});
