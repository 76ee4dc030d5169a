import { archiveImportsOf } from "@/data/archive/load";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

export const readArchives = reading({
  name: "archives.read",
  about: "The archives one has brought back, how far each is, and why one was refused.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => ({ imports: await archiveImportsOf(tx, scope.person!) }),
});
