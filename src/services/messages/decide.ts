import { IsBoolean } from "class-validator";
import { decideHeld, lockMessage } from "@/data/queries/messages";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { mailJob } from "./receive";

class DecideMessage {
  @Id() message: string;
  @IsBoolean() take: boolean;
}

export const decideMessage = action({
  name: "messages.decide",
  about: "Takes a message that was held, or lets it go. It is one's own mail: nobody else decides.",
  input: DecideMessage,
  allow: can.bring("message"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, enqueue }) => {
    const message = (await lockMessage(tx, input.message))!;
    if (message.person !== scope.person) throw new Problem("not-found");
    if (message.state !== "held") return { state: message.state };
    const state = input.take ? ("taken" as const) : ("refused" as const);
    await decideHeld(tx, message.id, state);
    if (input.take) enqueue(mailJob(message.id, message.team));
    return { state };
  },
});
