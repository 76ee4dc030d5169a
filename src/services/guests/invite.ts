import { MOST_ADDRESSES } from "@/core/mail/addresses-in";
import { GUEST_ROLES, type GuestRole } from "@/core/policy/abilities";
import { guestsOf } from "@/data/queries/guests";
import { membersOf } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, OneOf, Texts } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { countLetters, sendByMail } from "../invitations/by-mail";
import { DAYS } from "../invitations/make";

class InviteGuests {
  @Id() collection: string;
  @OneOf(GUEST_ROLES) role: GuestRole;
  @Texts(MOST_ADDRESSES, 320) addresses: string[];
}

export const inviteGuests = action({
  name: "guests.invite",
  about:
    "Invites people by mail into one collection and what stands in it; nothing else of the team is shown to them. Each invitation is for that address and holds for 14 days; to whom one was sent that still holds, the same is sent again. Whoever is in the team or was let in already is passed over.",
  input: InviteGuests,
  allow: can.publish("collection"),
  counted: ({ collection, addresses }) => countLetters(collection, addresses),
  // Two who invite the same one at a time send one invitation.
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async (running) => {
    const { input, actor, tx, locked } = running;
    const { role } = input;
    const { id: collection, team, title } = locked.collection(input.collection);
    const there = [...(await membersOf(tx, team)), ...(await guestsOf(tx, collection))];
    const known = new Set(there.map((one) => one.email.toLowerCase()));
    return sendByMail(running, { team, collection, role }, known, (link) =>
      letter(actor.person!.name, title, link),
    );
  },
});

const letter = (by: string, title: string, link: string) => ({
  subject: `${by} lets you into “${title}”`,
  text: `${by} lets you into the collection “${title}” in Hobbin.

Open it here within ${DAYS} days; whoever has no account yet makes one on the way, with this mail address:
${link}

If you do not know ${by}, do nothing. Nothing becomes of it then.
`,
});
