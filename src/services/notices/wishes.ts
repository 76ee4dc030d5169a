import { mailHoursOf, wishesOf } from "@/data/queries/notices";
import { reading } from "@/mechanism/action";
import { Nothing } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

export const readWishes = reading({
  name: "notices.wishes",
  about: "What of that which is addressed to oneself one hears by mail, when, and at which hours.",
  input: Nothing,
  allow: can.beSignedIn(),
  run: async ({ scope, tx }) => {
    const who = scope.person!;
    const [wishes, hours] = [await wishesOf(tx, [who]), await mailHoursOf(tx, [who])];
    return { wishes: wishes.get(who)!, hours: hours.get(who)! };
  },
});
