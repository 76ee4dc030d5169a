import { IsBoolean } from "class-validator";
import { settledBy } from "@/core/shelves/offered";
import { findCollection, lockCollections } from "@/data/queries/collections";
import { creditsHere, lockCredit, writeCredit } from "@/data/queries/credits";
import { action } from "@/mechanism/action";
import { Id, MaybeTexts, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { offersOf, withinOf } from "./offers";
import { Taking } from "./taking";

/** So many pieces are answered at once. */
const MOST = 2_000;

class AnswerOffers {
  @Id() collection: string;
  /** With which credit it, or something in it, was taken. */
  @Id() credit: string;
  /** The keys of what is taken, and of what is left and not offered again. */
  @MaybeTexts(MOST, 60) take?: string[];
  @MaybeTexts(MOST, 60) leave?: string[];
  /** Whether later changes are to be offered. */
  @Optional() @IsBoolean() asks?: boolean;
}

export const answerOffers = action({
  name: "shelves.answer",
  about:
    "Takes what has changed where something was taken from, piece by piece, or leaves it, so that it is not offered again. Own words stay: where both changed, they are put together, or left as they are.",
  input: AnswerOffers,
  allow: can.arrange("collection"),
  // The tree: what came may be collections, and what changed may stand anywhere in the copy.
  locks: ({ input }) => ({ team: true, collections: [input.collection] }),
  history: "take what has changed",
  run: async ({ input, scope, tx, at, set }) => {
    const within = await withinOf(tx, scope.team!, input.collection);
    await lockCollections(tx, [...within]);
    const here = await creditsHere(
      tx,
      input.collection,
      (await findCollection(tx, input.collection))!.credit,
    );
    const credit = here.some((one) => one.id === input.credit) && (await lockCredit(tx, input.credit));
    if (!credit) throw new Problem("not-found");
    const { lent, offered } = await offersOf(tx, credit, within, at);
    const byKey = new Map(offered.map((one) => [one.key, one]));
    const those = (keys: readonly string[] = []) => keys.flatMap((key) => byKey.get(key) ?? []);
    const taken = those(input.take);
    const pairs = { ...credit.pairs };
    if (lent && taken.length) {
      const taker = { team: scope.team!, person: scope.person!, credit: credit.id };
      await new Taking(tx, set, taker, lent.content.collection, pairs).all(taken);
    }
    const settled = Object.fromEntries(those(input.leave).map(settledBy));
    await writeCredit(tx, credit.id, {
      ...{ pairs, settled: { ...credit.settled, ...settled } },
      ...(input.asks !== undefined && { asks: input.asks }),
    });
    return { taken: taken.length };
  },
});
