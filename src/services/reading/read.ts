import { comfortOf, placeOfReading } from "@/data/queries/reading";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadReading {
  @Id() resource: string;
}

export const readReading = reading({
  name: "reading.read",
  about: "How one likes to read, and where one was in a text.",
  input: ReadReading,
  allow: can.see("resource"),
  run: async ({ input, scope, tx }) => ({
    comfort: await comfortOf(tx, scope.person!),
    was: await placeOfReading(tx, scope.person!, input.resource),
  }),
});
