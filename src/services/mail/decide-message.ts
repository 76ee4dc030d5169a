import { and, eq } from "drizzle-orm";
import { IsBoolean } from "class-validator";
import { findMessage } from "@/data/queries/letters";
import { mailMessage } from "@/data/schema";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";
import { mailJob } from "./receive";

class DecideMessage {
  @Id() message: string;
  @IsBoolean() take: boolean;
}

export const decideMessage = action({
  name: "mail.decide",
  about: "Takes a message that was held, or lets it go. It is one's own mail: nobody else decides.",
  input: DecideMessage,
  allow: can.bring("message"),
  run: async ({ input, scope, tx, later }) => {
    const message = (await findMessage(tx, input.message))!;
    if (message.person !== scope.person) throw new Problem("not-found");
    const state = input.take ? ("taken" as const) : ("refused" as const);
    await tx
      .update(mailMessage)
      .set({ state })
      .where(and(eq(mailMessage.id, message.id), eq(mailMessage.state, "held")));
    if (input.take) later(mailJob(message.id, message.team));
    return { state };
  },
});
