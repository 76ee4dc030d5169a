import { IsInt, Max, Min } from "class-validator";
import { compare } from "@/core/editions/compare";
import { editionByNumber } from "@/data/queries/editions";
import { reading } from "@/mechanism/action";
import { Id, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { contentOf } from "./stored-content";
import { contentNow } from "./content-now";

class CompareEditions {
  @Id() collection: string;
  /** The number of the earlier one. */
  @IsInt() @Min(1) @Max(1_000_000) from: number;
  /** The number of the later one; without it, what readers would see now. */
  @Optional() @IsInt() @Min(1) @Max(1_000_000) to?: number;
}

export const compareEditions = reading({
  name: "editions.compare",
  about:
    "What changed from one edition to another, or since: what came, what went, what was carried elsewhere, what has other words.",
  input: CompareEditions,
  allow: can.see("collection"),
  run: async ({ input, tx }) => {
    const content = async (number: number) => {
      const found = await editionByNumber(tx, input.collection, number);
      if (!found) throw new Problem("not-found");
      return contentOf(found.digest);
    };
    const before = await content(input.from);
    const after =
      input.to === undefined ? await contentNow(tx, input.collection, now(), null) : await content(input.to);
    return compare(before.collection, after.collection);
  },
});
