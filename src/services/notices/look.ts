import { seeNotices } from "@/data/queries/notices";
import { action } from "@/mechanism/action";
import { MaybeIds } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class LookAt {
  @MaybeIds() notices?: string[];
  /** What these comments say; without either all there is. */
  @MaybeIds() comments?: string[];
}

export const lookAtNotices = action({
  name: "notices.look",
  about: "Notes that one has looked at what is addressed to oneself: at some of it, or at all.",
  input: LookAt,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input: { notices, comments }, scope, tx, at }) => {
    await seeNotices(tx, scope.person!, notices || comments ? { notices, comments } : "all", at);
    return { seenAt: at };
  },
});
