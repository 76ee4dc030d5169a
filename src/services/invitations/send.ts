import { MOST_ADDRESSES } from "@/core/mail/addresses-in";
import { ROLES, type Role } from "@/core/policy/abilities";
import { membersOf, nameOfTeam } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, OneOf, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { countLetters, sendByMail } from "./by-mail";
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
  counted: ({ team, addresses }) => countLetters(team, addresses),
  locks: () => ({ team: true }),
  history: null,
  run: async (running) => {
    const { input, actor, tx } = running;
    const { team, role } = input;
    const members = new Set((await membersOf(tx, team)).map((one) => one.email.toLowerCase()));
    const teamName = (await nameOfTeam(tx, team))!;
    return sendByMail(running, { team, collection: null, role }, members, (link) =>
      letter(actor.person!.name, teamName, link),
    );
  },
});

const letter = (by: string, team: string, link: string) => ({
  subject: `${by} invites you to “${team}”`,
  text: `${by} invites you to work on the collections of “${team}” in Hobbin.

Join here within ${DAYS} days; whoever has no account yet makes one on the way, with this mail address:
${link}

If you do not know ${by}, do nothing. Nothing becomes of it then.
`,
});
