import { findCollection } from "@/data/queries/collections";
import { editionsOf } from "@/data/queries/editions";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadEditions {
  @Id() collection: string;
}

export const readEditions = reading({
  name: "editions.read",
  about:
    "The editions of a collection, the newest first, and whether readers see the newest or what stands there now.",
  input: ReadEditions,
  allow: can.see("collection"),
  run: async ({ input, tx }) => ({
    shows: (await findCollection(tx, input.collection))!.shows,
    editions: (await editionsOf(tx, input.collection)).map(
      ({ number, words, isIssue, digest, items, by, createdAt, withdrawnAt }) => ({
        ...{ number, words, isIssue, digest, items, by, createdAt, withdrawnAt },
      }),
    ),
  }),
});
