import { addressesIn, MOST_ADDRESSES } from "@/core/mail/addresses-in";
import { ROLES, type Role } from "@/core/policy/abilities";
import { addInvitation, lockSent, membersOf, nameOfTeam, renewInvitation } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, OneOf, Texts } from "@/mechanism/input";
import { within } from "@/mechanism/limits";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newId, newSecret } from "@/outside/random";
import { seal } from "@/outside/seal";
import { addressOfHobbin } from "../accounts/address";
import { DAYS } from "./make";

class SendInvitations {
  @Id() team: string;
  @OneOf(ROLES) role: Role;
  @Texts(MOST_ADDRESSES, 320) addresses: string[];
}

export const sendInvitations = action({
  name: "invitations.send",
  about:
    "Invites people to a team by mail. Each invitation is for that address and holds for 14 days; to whom one was sent that still holds, the same is sent again. Who is in the team already is passed over.",
  input: SendInvitations,
  allow: can.manage("team"),
  // So many letters to strangers are nobody's class.
  counted: async ({ team, addresses }) => {
    if (!(await within("invitations", team, Math.max(1, addresses.length))))
      throw new Problem("too-many-invitations");
  },
  locks: () => ({ team: true }),
  history: null,
  run: async ({ input, scope, actor, tx, at, enqueue }) => {
    const { team, role } = input;
    const { addresses, wrong } = addressesIn(input.addresses.join("\n"));
    const first = wrong[0] ?? (addresses.length ? null : input.addresses[0]);
    if (first !== null)
      throw fieldProblem("addresses", "mail-address-wrong", `“${first ?? ""}” is no mail address.`);
    const members = new Set((await membersOf(tx, team)).map((one) => one.email.toLowerCase()));
    const sent = await lockSent(tx, team, at);
    const teamName = (await nameOfTeam(tx, team))!;
    const expiresAt = new Date(at.getTime() + DAYS * 86_400_000);
    const invited: { address: string; again: boolean }[] = [];
    const already: string[] = [];
    for (const address of addresses) {
      if (members.has(address.toLowerCase())) {
        already.push(address);
        continue;
      }
      const there = sent.get(address.toLowerCase());
      const { id, code } = there ?? { id: newId(), code: newSecret() };
      if (there) await renewInvitation(tx, id, { role, expiresAt });
      else
        await addInvitation(tx, {
          ...{ id, team, role, code, address, most: 1, madeBy: scope.person!, createdAt: at, expiresAt },
        });
      enqueue({
        ...{ id: newId(), kind: "messages.send", team, createdAt: at },
        // Sent again while the first letter has not gone, it goes once.
        uniqueKey: `invitations.send:${id}`,
        payload: { letter: seal(JSON.stringify(letter(address, actor.person!.name, teamName, code))) },
      });
      invited.push({ address, again: there !== undefined });
    }
    return { invited, already };
  },
});

const letter = (to: string, by: string, team: string, code: string) => ({
  to,
  subject: `${by} invites you to “${team}”`,
  text: `${by} invites you to work on the collections of “${team}” in Hobbin.

Join here within ${DAYS} days; whoever has no account yet makes one on the way, with this mail address:
${addressOfHobbin()}/join/${code}

If you do not know ${by}, do nothing. Nothing becomes of it then.
`,
});
