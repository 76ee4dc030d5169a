import { roundsOf } from "@/data/queries/rounds";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadRounds {
  @Id() team: string;
}

export const readRounds = reading({
  name: "rounds.read",
  about: "The rounds in which a team judges things, with how far each has come, and oneself in it.",
  input: ReadRounds,
  allow: can.see("team"),
  run: async ({ input, scope, tx }) => ({ rounds: await roundsOf(tx, input.team, scope.person!) }),
});
