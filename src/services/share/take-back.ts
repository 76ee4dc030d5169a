import { lastEndedCode, reviveShareCode, revokeShareCodes } from "@/data/queries/sharing";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class TakeBack {
  @Id() collection: string;
}

/** So long an address that was replaced can be had again: a printed sheet is missed by the next day. */
export const A_DAY = 24 * 3_600_000;

export const takeBackAddress = action({
  name: "share.take-back",
  about:
    "Brings back the address a collection had before it was given another one, within a day; the other one ends.",
  input: TakeBack,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, tx, locked, at, set, emit }) => {
    const found = locked.collection(input.collection);
    const code = await lastEndedCode(tx, found.id, new Date(at.getTime() - A_DAY));
    if (!code) throw new Problem("address-not-replaced");
    await set.count([found.id]);
    await revokeShareCodes(tx, found.id, at);
    await reviveShareCode(tx, code);
    emit({ verb: "share.renew", subject: found.id, collection: found.id });
    return { code };
  },
});
