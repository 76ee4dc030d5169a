import { importsOf } from "@/data/queries/imports";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadImports {
  @Id() team: string;
}

export const readImports = reading({
  name: "imports.list",
  about: "The newest imports of a team, each with how far it is and what became of its lines.",
  input: ReadImports,
  allow: can.bring("team"),
  run: async ({ input, tx }) => ({ imports: await importsOf(tx, input.team, 50) }),
});
