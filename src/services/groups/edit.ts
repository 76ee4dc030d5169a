import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class EditGroup {
  @Id() group: string;
  @Name("a title", 120) title: string;
}

export const editGroup = action({
  name: "groups.edit",
  about: "Gives a group another title.",
  input: EditGroup,
  allow: can.publish("group"),
  locks: ({ input }) => ({ groups: [input.group] }),
  history: "rename the group",
  run: async ({ input, locked, change }) => {
    const row = locked.group(input.group);
    await change("group", row, { title: input.title });
    return { group: { id: row.id, title: input.title } };
  },
});
