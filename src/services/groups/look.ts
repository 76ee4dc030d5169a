import { findGroup, learnersIn } from "@/data/queries/groups";
import { handoutsOf } from "@/data/queries/handouts";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class LookAtGroup {
  @Id() group: string;
}

export const lookAtGroup = reading({
  name: "groups.look",
  about: "Who is in a group, with their cards, and what was handed out to it.",
  input: LookAtGroup,
  allow: can.publish("group"),
  run: async ({ input, tx }) => {
    const { id, title, team } = (await findGroup(tx, input.group))!;
    const learners = await learnersIn(tx, id);
    return {
      group: { id, title, team },
      learners: learners.map(({ id, name, code, card }) => ({ id, name, code, card })),
      handouts: await handoutsOf(tx, id),
    };
  },
});
