import { messageOf } from "@/data/queries/messages";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class MessageOf {
  @Id() resource: string;
}

export const readMessageOf = reading({
  name: "messages.of-resource",
  about: "The message a resource was made of: its sender, its links, and the hash of the original.",
  input: MessageOf,
  allow: can.seeHere("resource"),
  run: async ({ input, scope, tx }) => {
    // Letters are to the team.
    if (scope.sight) return { message: null };
    const message = await messageOf(tx, input.resource);
    return { message: message && { id: message.id, sender: message.sender, links: message.links } };
  },
});
