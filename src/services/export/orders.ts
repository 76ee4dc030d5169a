import { itemsWithin, ordersOf } from "@/data/queries/ordered-files";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";

class ReadOrders {
  @Id() collection: string;
}

export const readOrders = reading({
  name: "export.orders",
  about:
    "The files of a collection one has ordered in the last day, and how far each is; and how many items it has with those inside it, by which one sees whether a file had better be ordered.",
  input: ReadOrders,
  allow: can.seeHere("collection"),
  run: async ({ input: { collection }, scope, tx }) => ({
    items: await itemsWithin(tx, collection),
    orders: (await ordersOf(tx, scope.person!, collection, now())).map(
      ({ id, asked, state, step, done, total, name, bytes, problem, createdAt }) => ({
        ...{ id, format: String(asked.format), state, step, done, total, name, bytes, problem, createdAt },
      }),
    ),
  }),
});
