import { IsBoolean } from "class-validator";
import { setThanksAway } from "@/data/queries/thanks";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class PutAway {
  @Id() thanks: string;
  @IsBoolean() away: boolean;
}

export const putThanksAway = action({
  name: "thanks.put-away",
  about: "Puts away what a reader said, or has it back.",
  input: PutAway,
  allow: can.arrange("thanks"),
  locks: null,
  history: null,
  run: async ({ input: { thanks, away }, tx, at }) => {
    await setThanksAway(tx, thanks, away ? at : null);
    return { away };
  },
});
