import { personByAddress } from "@/data/queries/people";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { addressOfHobbin } from "../accounts/address";
import { letterJob } from "../accounts/letter-job";
import { mustBeRightPassword } from "../accounts/right-password";
import { sealChange } from "./sealed-change";

class ChangeAddress {
  @Name("a mail address", 254) address: string;
  @Name("your password", 128) password: string;
}

export const changeAddress = action({
  name: "people.change-address",
  about:
    "Asks for another mail address of one's account: a letter with a link goes to the new one, by which it is confirmed within an hour, and a letter that says so to the old one. Whether another account has it is not told here.",
  input: ChangeAddress,
  allow: can.beSignedIn(),
  counted: async (input, actor) => {
    await mustBeRightPassword(actor, input.password);
    const { email } = actor.person!;
    if (!(await within("letters", email)) || !(await within("letters", input.address.toLowerCase())))
      throw new Problem("too-many-tries");
  },
  locks: null,
  history: null,
  run: async ({ input, actor, tx, at, enqueue }) => {
    const address = input.address.trim().toLowerCase();
    const { id: person, email: from, name } = actor.person!;
    if (!/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(address)) throw fieldProblem("address", "mail-address-wrong");
    if (address === from) throw fieldProblem("address", "address-is-yours");
    const home = addressOfHobbin();
    const isTaken = (await personByAddress(tx, address)) !== null;
    const link = `${home}/account?address=${sealChange({ person, from, to: address }, at)}`;
    enqueue(
      isTaken
        ? letterJob(
            ...[address, "This address has an account already"],
            ...[
              `Somebody, probably you, wants to use this address for another account of Hobbin. It has one already: ${home}/sign-in\n\nIf it was not you, do nothing.`,
              at,
            ],
          )
        : letterJob(
            ...[address, "Confirm your new address"],
            ...[
              `${name}, confirm that this address is yours from now on, within an hour, where you are signed in:\n${link}\n\nIf it was not you who asked for it, do nothing.`,
              at,
            ],
          ),
    );
    enqueue(
      letterJob(
        ...[from, "Your address is to be changed"],
        ...[
          `Somebody who knows your password asked to change the mail address of your account to ${address}.\n\nIf it was you, there is nothing to do here. If it was not, choose a new password at once: ${home}/forgotten`,
          at,
        ],
      ),
    );
    return { asked: address };
  },
});
