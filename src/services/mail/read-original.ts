import { findMessage } from "@/data/queries/letters";
import { readKept } from "@/outside/files";
import { reading } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";

class ReadOriginal {
  @Id() message: string;
}

export const readOriginal = reading({
  name: "mail.original",
  about: "A message as it arrived, for whom it was addressed to.",
  input: ReadOriginal,
  allow: can.see("message"),
  run: async ({ input, scope, tx }) => {
    const message = await findMessage(tx, input.message);
    const content = message?.person === scope.person ? await readKept(message!.original) : null;
    if (!content) throw new Problem("not-found");
    return { name: `${message!.subject.slice(0, 80) || "message"}.eml`, type: "message/rfc822", content };
  },
});
