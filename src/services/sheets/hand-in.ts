import { IsBoolean } from "class-validator";
import { setSheet } from "@/data/queries/sheets";
import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { tellAgain } from "../notices/tell";
import { openSheet, tellSheet } from "./open-to-write";

class HandIn {
  @Name("the code of the card", 24) card: string;
  @Id() handout: string;
  /** False takes it back, to go on. */
  @IsBoolean() handedIn: boolean;
}

export const handInSheet = action({
  name: "sheets.hand-in",
  about: "Hands in what the learner did, or takes it back to go on. When the time is over it stays as it is.",
  input: HandIn,
  allow: can.holdCard(),
  // The sheet, which is begun when it is not there; that is seen to together.
  locks: null,
  // It is taken back by itself.
  history: null,
  run: async ({ input, scope, tx, at, set }) => {
    const { handout, sheet } = await openSheet(tx, scope, input.handout, at);
    if ((sheet.handedInAt !== null) === input.handedIn) return { handedInAt: sheet.handedInAt };
    if (handout.until && handout.until <= at) throw new Problem("handout-ended");
    const handedInAt = input.handedIn ? at : null;
    await setSheet(tx, sheet.id, { handedInAt });
    tellSheet(set, sheet);
    if (input.handedIn) {
      const about = { team: handout.team, collection: handout.collection, subject: handout.id };
      await tellAgain({ tx, at, set }, about, handout.createdBy, "returned");
    }
    return { handedInAt };
  },
});
