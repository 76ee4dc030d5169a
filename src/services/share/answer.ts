import { action } from "@/mechanism/action";
import { Id, Name } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { noteDeed } from "../stewards/deed";

class Answer {
  @Id() collection: string;
  @Name("an answer", 1_000) words: string;
}

export const answerStewards = action({
  name: "share.answer",
  about: "Answers the stewards of the installation, who have hidden a collection.",
  input: Answer,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input: { collection, words }, scope, tx, locked, at }) => {
    if (!locked.collection(collection).hiddenAt) throw new Problem("not-hidden");
    await noteDeed(tx, { kind: "answer", person: scope.person, at, collection, words });
    return { answered: true };
  },
});
