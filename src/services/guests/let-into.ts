import { letInto } from "@/data/queries/guests";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

export const readLetInto = reading({
  name: "guests.let-into",
  about: "The collections of other teams one was let into as a guest.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => ({ collections: await letInto(tx, scope.person!) }),
});
