import { endShortCodes } from "@/data/queries/sharing";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class EndCode {
  @Id() collection: string;
}

export const endCode = action({
  name: "codes.end",
  about: "Ends the short code of a collection; its address stays.",
  input: EndCode,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, tx, locked, at, emit }) => {
    const found = locked.collection(input.collection);
    await endShortCodes(tx, found.id, at);
    emit({ verb: "share.renew", subject: found.id, collection: found.id });
    return { ended: true };
  },
});
