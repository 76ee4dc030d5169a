import { addressesOf, heldOf, sendersOf } from "@/data/queries/messages";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { settings } from "@/outside/settings";

class ReadMail {
  @Id() team: string;
}

export const readMail = reading({
  name: "messages.read",
  about:
    "One's own addresses for mail in a team, whose mail is taken without a look, and what is held for one.",
  input: ReadMail,
  allow: can.bring("team"),
  run: async ({ input, scope, tx }) => {
    const person = scope.person!;
    const { mailIn, mailInHost } = settings();
    const { listed, own } = await sendersOf(tx, person);
    return {
      on: mailIn !== "off",
      addresses: (await addressesOf(tx, person, input.team)).map(({ local, ...rest }) => ({
        ...rest,
        address: `${local}@${mailInHost}`,
      })),
      senders: listed,
      own,
      held: await heldOf(tx, person, input.team),
    };
  },
});
