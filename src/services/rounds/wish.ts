import { IsIn, IsInt, Max, Min } from "class-validator";
import { MOST_MILLS } from "@/core/appraise/price";
import { MOST_OF_ONE, NO_WISH, PRIORITIES } from "@/core/appraise/shortlist";
import { judgesOf } from "@/data/queries/rounds";
import { findWish } from "@/data/queries/wishes";
import { action } from "@/mechanism/action";
import { Id, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

class WishFor {
  @Id() round: string;
  @Id() resource: string;
  /** In thousandths of the currency of the round; null: nobody knows. */
  @Optional() @IsInt() @Min(0) @Max(MOST_MILLS) price?: number | null;
  @Optional() @IsInt() @Min(0) @Max(MOST_OF_ONE) number?: number;
  /** 1: first of all; null: not said. */
  @Optional() @IsIn(PRIORITIES) priority?: number | null;
}

export const wishFor = action({
  name: "rounds.wish",
  about:
    "Says of a thing on the shortlist of a round what one of it costs, how many are wished for, or how much; what is left out stays.",
  input: WishFor,
  allow: can.bring("round"),
  locks: ({ input }) => ({ alive: [input.resource], rounds: [input.round] }),
  history: "change the shortlist",
  run: async ({
    input: { round: id, resource, price, number, priority },
    tx,
    locked,
    scope,
    at,
    add,
    change,
    restore,
  }) => {
    const round = locked.round(id);
    locked.mustBeOfTeam("resource", resource, scope.team);
    if (!(await judgesOf(tx, id, resource)).length) throw new Problem("not-found");
    const wish = { price, number, priority };
    const whole = {
      price: price ?? NO_WISH.price,
      number: number ?? NO_WISH.number,
      priority: priority ?? NO_WISH.priority,
    };
    const there = await findWish(tx, { round: id, resource });
    if (there?.deletedAt) await restore("wish", there, { fields: whole });
    else if (there) await change("wish", there, wish);
    else
      await add("wish", {
        ...{ id: newId(), team: round.team, round: id, resource, ...whole },
        ...{ createdAt: at, updatedAt: at },
      });
    return { resource };
  },
});
