import { AUDIENCES, READER_VIEWS, REACHES, SHOWS } from "@/core/publish/model";
import { newestEdition } from "@/data/queries/editions";
import { addShareCode, shareCodeOf } from "@/data/queries/sharing";
import { nameOfTeam } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, MaybeMoment, MaybeOneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { newShareCode } from "@/outside/random";
import { tellTeamApart } from "../accounts/told-apart";

class SetAudience {
  @Id() collection: string;
  @MaybeOneOf(AUDIENCES) audience?: (typeof AUDIENCES)[number];
  @MaybeOneOf(READER_VIEWS) view?: (typeof READER_VIEWS)[number];
  /** Whether they see what stands inside, too. */
  @MaybeOneOf(REACHES) reach?: (typeof REACHES)[number];
  /** Whether they see what stands there now, or the newest edition. */
  @MaybeOneOf(SHOWS) shows?: (typeof SHOWS)[number];
  /** When it closes by itself; null: not before somebody says so. */
  @MaybeMoment() until?: string | null;
}

export const setAudience = action({
  name: "share.set",
  about:
    "Decides who can see a collection, with what stands inside or without, until when, whether as it stands or its newest edition, and in which view readers first see it.",
  input: SetAudience,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  // What left the team's hands is not taken back.
  history: null,
  run: async ({ input, tx, locked, at, set, change }) => {
    const before = locked.collection(input.collection);
    const {
      audience = before.audience,
      view = before.view,
      reach = before.reach,
      shows = before.shows,
    } = input;
    if (input.shows === "edition" && !(await newestEdition(tx, before.id)))
      throw fieldProblem("shows", "no-edition-yet");
    // What was shared until a day and is shared anew is not over at once.
    const stale = before.sharedUntil !== null && before.sharedUntil <= at ? null : before.sharedUntil;
    const sharedUntil = input.until === undefined ? stale : input.until ? new Date(input.until) : null;
    if (input.until !== undefined && sharedUntil && sharedUntil <= at)
      throw fieldProblem("until", "date-is-over");
    if (audience === "public" && before.audience !== "public")
      await tellTeamApart(tx, { id: before.team, name: (await nameOfTeam(tx, before.team))! }, "audience");
    await change("collection", before, { audience, view, reach, shows, sharedUntil }, { verb: "share.set" });
    let code = await shareCodeOf(tx, before.id);
    // The same link comes back when sharing was only paused; a new one has to be asked for.
    if (audience !== "team" && !code) {
      code = newShareCode();
      await addShareCode(tx, before.id, code, at);
      // Whatever it was before: only now does it stand anywhere.
      await set.count([before.id]);
    }
    return { audience, view, reach, shows, until: sharedUntil, code: audience === "team" ? null : code };
  },
});
