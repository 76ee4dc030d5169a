import { messageOf } from "@/data/queries/letters";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class ReadLetter {
  @Id() resource: string;
}

export const readLetterOf = reading({
  name: "mail.letter",
  about: "The message a resource was made of: its sender, its links, and the hash of the original.",
  input: ReadLetter,
  allow: can.see("resource"),
  run: async ({ input, tx }) => {
    const message = await messageOf(tx, input.resource);
    return { letter: message && { id: message.id, sender: message.sender, links: message.links } };
  },
});
