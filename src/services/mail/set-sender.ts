import { and, eq } from "drizzle-orm";
import { IsBoolean } from "class-validator";
import { mailSender } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Name } from "../input";
import { can } from "../policy";
import { fieldProblem } from "../problem";

class SetSender {
  @Name("a mail address", 255) address: string;
  @IsBoolean() allow: boolean;
}

export const setSender = action({
  name: "mail.set-sender",
  about: "Puts a sender on one's list, or takes it off: an address, or @site.example for everybody there.",
  input: SetSender,
  allow: can.beSignedIn(),
  run: async ({ input, scope, tx }) => {
    const address = input.address.toLowerCase();
    if (!/^[^\s@]*@[^\s@]+\.[^\s@]+$/.test(address))
      throw fieldProblem(
        "address",
        "Write an address like news@bog.example, or @bog.example for everybody there.",
      );
    const person = scope.person!;
    if (input.allow)
      await tx
        .insert(mailSender)
        .values({ id: newId(), person, address, createdAt: now() })
        .onDuplicateKeyUpdate({ set: { address } });
    else
      await tx.delete(mailSender).where(and(eq(mailSender.person, person), eq(mailSender.address, address)));
    return { address };
  },
});
