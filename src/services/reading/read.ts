import { besideOf, comfortOf, placeOfReading } from "@/data/queries/reading";
import { reading } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadReading {
  @Id() resource: string;
  /** The place in a collection from which one came. */
  @MaybeId() placement?: string;
}

export const readReading = reading({
  name: "reading.read",
  about:
    "How one likes to read, where one was in a text, and what stands before and after it in its collection.",
  input: ReadReading,
  allow: can.seeHere("resource"),
  run: async ({ input, scope, tx }) => ({
    comfort: await comfortOf(tx, scope.person!),
    was: await placeOfReading(tx, scope.person!, input.resource),
    beside: await besideOf(tx, input.resource, input.placement ?? null, scope.sight),
  }),
});
