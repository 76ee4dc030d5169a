import { creditOf } from "@/data/queries/credits";
import { publicNow } from "@/data/queries/listings";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { offersOf } from "./offers";

class ReadCredit {
  @Id() collection: string;
}

export const readCredit = reading({
  name: "shelves.credit",
  about:
    "From where a collection was taken, as it was called then; whether that is public still; and what has changed there since that could be taken, piece by piece. Null for one that was made here.",
  input: ReadCredit,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const credit = await creditOf(tx, input.collection);
    if (!credit) return { credit: null, offered: [] };
    const { title, teamName, takenAt, asks, lender } = credit;
    const open = await publicNow(tx, lender, now());
    const { offered } = await offersOf(tx, credit, now());
    return { credit: { title, teamName, takenAt, asks, code: open?.code ?? null }, offered };
  },
});
