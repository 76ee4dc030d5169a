import { IsBoolean, IsInt, Max, Min } from "class-validator";
import { GUEST_ROLES, type GuestRole } from "@/core/policy/abilities";
import { addInvitation } from "@/data/queries/teams";
import { action } from "@/mechanism/action";
import { Id, OneOf, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newInvitation, saidInLog, saidOfInvitation } from "../invitations/make";

class MakeLink {
  @Id() collection: string;
  @OneOf(GUEST_ROLES) role: GuestRole;
  /** For how long it holds; left out: 14 days. */
  @Optional() @IsInt() @Min(1) @Max(90) days?: number;
  /** How many it lets in; left out: as many as come. */
  @Optional() @IsInt() @Min(1) @Max(500) most?: number;
  /** With a short code to be typed, for a room: for a day and 40 people unless said. */
  @Optional() @IsBoolean() short?: boolean;
}

export const makeLink = action({
  name: "guests.make-link",
  about:
    "Makes a link by which others come into one collection and what stands in it, for some days, 14 unless said, and for as many as said, or until it is ended; with a short code to be typed when wished.",
  input: MakeLink,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, scope, tx, at, locked, set }) => {
    const { id: collection, team } = locked.collection(input.collection);
    const row = newInvitation(input, { team, collection, person: scope.person!, at });
    await addInvitation(tx, row);
    set.log("invited", saidInLog(row), row);
    return { invitation: saidOfInvitation(row) };
  },
});
