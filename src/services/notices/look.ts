import { seeNotices } from "@/data/queries/notices";
import { action } from "@/mechanism/action";
import { MaybeIds } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class LookAt {
  @MaybeIds() notices?: string[];
  /** What these comments say. */
  @MaybeIds() comments?: string[];
  /** What is about these: items, collections, handouts; without any of the three all there is. */
  @MaybeIds() subjects?: string[];
}

export const lookAtNotices = action({
  name: "notices.look",
  about: "Notes that one has looked at what is addressed to oneself: at some of it, or at all.",
  input: LookAt,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input: { notices, comments, subjects }, scope, tx, at }) => {
    const some = notices ?? comments ?? subjects;
    await seeNotices(tx, scope.person!, some ? { notices, comments, subjects } : "all", at);
    return { seenAt: at };
  },
});
