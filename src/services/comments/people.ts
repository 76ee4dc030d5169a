import { peopleSeeing } from "@/data/queries/guests";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadPeople {
  @Id() collection: string;
}

export const readPeople = reading({
  name: "comments.people",
  about: "Who sees a collection, by name, and so can be meant by “@” and their name in what is said there.",
  input: ReadPeople,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }) => ({ people: await peopleSeeing(tx, input.collection) }),
});
