import { IsBoolean, IsInt, Max, Min } from "class-validator";
import { editionByNumber, setWithdrawn } from "@/data/queries/editions";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class WithdrawEdition {
  @Id() collection: string;
  @IsInt() @Min(1) @Max(1_000_000) number: number;
  /** False gives it back to readers. */
  @IsBoolean() withdrawn: boolean;
}

export const withdrawEdition = action({
  name: "editions.withdraw",
  about:
    "Takes an edition away from readers, who find a dated line in its place, or gives it back to them. Its number is not used again.",
  input: WithdrawEdition,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, tx, at, emit }) => {
    const { collection, number, withdrawn } = input;
    const found = await editionByNumber(tx, collection, number);
    if (!found) throw new Problem("not-found");
    if ((found.withdrawnAt !== null) === withdrawn) return { number, withdrawnAt: found.withdrawnAt };
    const withdrawnAt = withdrawn ? at : null;
    await setWithdrawn(tx, found.id, withdrawnAt);
    emit({ verb: "editions.withdraw", subject: collection, collection, data: { number, withdrawn } });
    return { number, withdrawnAt };
  },
});
