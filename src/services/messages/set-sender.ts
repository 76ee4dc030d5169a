import { IsBoolean } from "class-validator";
import { allowSender, disallowSender } from "@/data/queries/messages";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

class SetSender {
  @Name("a mail address", 255) address: string;
  @IsBoolean() allow: boolean;
}

export const setSender = action({
  name: "messages.set-sender",
  about: "Puts a sender on one's list, or takes it off: an address, or @site.example for everybody there.",
  input: SetSender,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at }) => {
    const address = input.address.toLowerCase();
    if (!/^[^\s@]*@[^\s@]+\.[^\s@]+$/.test(address)) throw fieldProblem("address", "sender-not-readable");
    const person = scope.person!;
    if (input.allow) await allowSender(tx, { id: newId(), person, address, createdAt: at });
    else await disallowSender(tx, person, address);
    return { address };
  },
});
