import { IsUUID, ValidateIf } from "class-validator";
import { peopleSeeing } from "@/data/queries/guests";
import { action } from "@/mechanism/action";
import { Id, MaybeDay } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { tellNotices } from "../notices/tell";

class AskSomebody {
  @Id() placement: string;
  /** Null: nobody any more. */
  @ValidateIf((_, value) => value !== null) @IsUUID(undefined, { message: "This is no id." }) person:
    string | null;
  /** Until when, by the calendar of who is asked. */
  @MaybeDay() until?: string | null;
}

export const askSomebody = action({
  name: "placements.ask",
  about: "Asks somebody who sees an item to see to it, until a day or without one; or asks nobody any more.",
  input: AskSomebody,
  allow: can.bringHere("placement"),
  locks: ({ input }) => ({ placements: [input.placement] }),
  history: ({ input }) => (input.person === null ? "ask nobody to see to it" : "ask somebody to see to it"),
  run: async ({ input, scope, tx, at, locked, set, change }) => {
    const before = locked.placement(input.placement);
    const { person } = input;
    const seeing = person === null ? [] : await peopleSeeing(tx, before.collection);
    if (person !== null && !seeing.some((one) => one.id === person))
      throw fieldProblem("person", "sees-it-not");
    const until = person === null ? null : input.until === undefined ? before.askedUntil : input.until;
    await change("placement", before, {
      askedOf: person,
      askedBy: person === null ? null : scope.person!,
      askedUntil: until,
    });
    if (person !== null && person !== scope.person && person !== before.askedOf)
      await tellNotices(
        { tx, at, set },
        { team: scope.team!, collection: before.collection, subject: before.id },
        [[person, "asked"]],
      );
    return { asked: { of: person, until } };
  },
});
