import { addShareCode, revokeShareCodes } from "@/data/queries/sharing";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newShareCode } from "@/outside/random";

class RenewLink {
  @Id() collection: string;
}

export const renewLink = action({
  name: "share.renew",
  about: "Gives a shared collection a new link; the old one stops working at once.",
  input: RenewLink,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  // What left the team's hands is not taken back.
  history: null,
  run: async ({ input, tx, locked, at, set, emit }) => {
    const found = locked.collection(input.collection);
    if (found.audience === "team") throw new Problem("not-shared");
    await set.count([found.id]);
    await revokeShareCodes(tx, found.id, at);
    const code = newShareCode();
    await addShareCode(tx, found.id, code, at);
    emit({ verb: "share.renew", subject: found.id, collection: found.id });
    return { code };
  },
});
