import { findMessage } from "@/data/queries/messages";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { readStored } from "@/outside/files";

class ReadOriginal {
  @Id() message: string;
}

export const readOriginal = reading({
  name: "messages.original",
  about: "A message as it arrived, for whom it was addressed to.",
  input: ReadOriginal,
  allow: can.see("message"),
  run: async ({ input, scope, tx }) => {
    const message = await findMessage(tx, input.message);
    const content = message?.person === scope.person ? await readStored(message!.original) : null;
    if (!content) throw new Problem("not-found");
    return { name: `${message!.subject.slice(0, 80) || "message"}.eml`, type: "message/rfc822", content };
  },
});
