import { IsBoolean } from "class-validator";
import { lockWatches, settleLinks } from "@/data/queries/links";
import { collectionsHolding } from "@/data/queries/resources";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";

class SettleLink {
  @Id() resource: string;
  /** Whether it is alright as it is; false takes that back. */
  @IsBoolean() settled: boolean;
}

export const settleLink = action({
  name: "links.settle",
  about:
    "Says that an address is alright as it is, whatever was found: it is not shown any more until something else becomes of it. Or takes that back.",
  input: SettleLink,
  allow: can.bring("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  // It is taken back by the same action.
  history: null,
  run: async ({ input: { resource, settled }, tx, locked, set, emit }) => {
    locked.resource(resource);
    const [watch] = await lockWatches(tx, [resource]);
    if (!watch) throw new Problem("not-found");
    // Of what was lost readers are given the copy; or the page again.
    await set.count(await collectionsHolding(tx, [resource]));
    await settleLinks(tx, [resource], settled ? watch.state : null);
    emit({ verb: "links.settle", subject: resource });
    return { resource, settled };
  },
});
