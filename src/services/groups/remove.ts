import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class RemoveGroup {
  @Id() group: string;
}

export const removeGroup = action({
  name: "groups.remove",
  about:
    "Takes a group away, with those who are in it and what was handed out to them; their cards open nothing any more. It can be taken back.",
  input: RemoveGroup,
  allow: can.publish("group"),
  locks: ({ input }) => ({ groups: [input.group] }),
  history: "take the group away",
  run: async ({ input, locked, remove }) => {
    await remove("group", locked.group(input.group));
    return { group: input.group };
  },
});
