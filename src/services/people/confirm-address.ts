import { lockPerson, setAddress } from "@/data/queries/people";
import { endSessionsOf } from "@/data/queries/sessions";
import { isDuplicate } from "@/data/transaction";
import { action } from "@/mechanism/action";
import { Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { openChange } from "./sealed-change";

class ConfirmAddress {
  /** From the link in the letter. */
  @Name("the end of the link", 2_000) token: string;
}

export const confirmNewAddress = action({
  name: "people.confirm-address",
  about:
    "Makes the address to which a letter went that of one's account. Sessions elsewhere end; the link holds once.",
  input: ConfirmAddress,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, actor, scope, tx, at }) => {
    const change = openChange(input.token, at);
    const row = await lockPerson(tx, scope.person!);
    if (!change || change.person !== scope.person || row?.email !== change.from)
      throw new Problem("address-change-ended");
    await setAddress(tx, scope.person, change.to).catch((error: unknown) => {
      throw isDuplicate(error) ? new Problem("address-taken") : error;
    });
    await endSessionsOf(tx, scope.person, { but: actor.by?.kind === "session" ? actor.by.id : null });
    return { address: change.to };
  },
});
