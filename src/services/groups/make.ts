import { LONGEST_NAME, MOST_NAMES } from "@/core/groups/names";
import { action } from "@/mechanism/action";
import { Id, MaybeId, Name, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";
import { findGroup } from "@/data/queries/groups";
import { Problem } from "@/mechanism/problem";
import { newLearners } from "../learners/new-learners";

class MakeGroup {
  @Id() team: string;
  @MaybeId() group?: string;
  @Name("a title", 120) title: string;
  @Texts(MOST_NAMES, LONGEST_NAME) names: string[];
}

export const makeGroup = action({
  name: "groups.make",
  about:
    "Makes a group of bare names, such as a class. Each gets a card, by which they open what is handed out to the group. An id sent twice makes it once.",
  input: MakeGroup,
  // Who is in a class is for those who hand something out.
  allow: can.publish("team"),
  locks: ({ input }) => ({ groups: [input.group] }),
  history: "make a group",
  run: async ({ input, scope, tx, at, add }) => {
    const id = input.group ?? newId();
    const there = await findGroup(tx, id);
    if (there && there.team !== scope.team) throw new Problem("id-taken");
    if (!there) {
      const team = scope.team!;
      await add("group", { id, team, title: input.title, createdBy: scope.person!, createdAt: at });
      await add("learner", newLearners({ id, team }, input.names, at), { along: true });
    }
    return { group: { id, title: there?.title ?? input.title } };
  },
});
