import { wishesOf } from "@/data/queries/notices";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

export const readWishes = reading({
  name: "notices.wishes",
  about: "What of that which is addressed to oneself one hears by mail, and when.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => ({ wishes: (await wishesOf(tx, [scope.person!])).get(scope.person!)! }),
});
