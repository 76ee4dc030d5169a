import { GUEST_ROLES, type GuestRole } from "@/core/policy/abilities";
import { lockGuest, putGuest } from "@/data/queries/guests";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class SetRole {
  @Id() collection: string;
  @Id() person: string;
  @OneOf(GUEST_ROLES) role: GuestRole;
}

export const setGuestRole = action({
  name: "guests.set-role",
  about: "Changes what a guest of a collection may do in it.",
  input: SetRole,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input: { collection, person, role }, tx, at, emit }) => {
    const before = await lockGuest(tx, collection, person);
    if (!before) throw new Problem("guest-unknown");
    await putGuest(tx, { collection, person, role, createdAt: at });
    emit({ verb: "guests.set-role", subject: person, collection, data: { before, after: role } });
    return { person, role };
  },
});
