import { findOrder } from "@/data/queries/ordered-files";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { readOrders } from "./orders";

class OneOrder {
  @Id() order: string;
}

export const orderedFile = reading({
  name: "export.ordered",
  about: "A file one has ordered: its name, type and hash. Its bytes are at /api/exports/<order>.",
  input: OneOrder,
  allow: can.beSignedIn(),
  run: async ({ input, actor, tx }) => {
    const row = await findOrder(tx, input.order);
    const isThere = row && row.person === actor.person!.id && row.until > now();
    if (!isThere || !row.hash) throw new Problem("not-found");
    // Who does not see the collection any more gets nothing of it.
    await readOrders.decide(actor, { collection: row.collection });
    return { name: row.name!, type: row.type!, hash: row.hash, bytes: row.bytes! };
  },
});
