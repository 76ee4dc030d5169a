import { findIssue } from "@/data/queries/newsletters";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { issueJob } from "./issue-job";

class GoOn {
  @Id() collection: string;
  @Id() issue: string;
}

export const goOnSending = action({
  name: "newsletters.go-on",
  about: "Sends the copies of an issue that have not gone out, when the mail server was away for too long.",
  input: GoOn,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, scope, tx, at, enqueue }) => {
    const found = await findIssue(tx, input.issue);
    if (found?.collection !== input.collection) throw new Problem("not-found");
    enqueue(issueJob(input.issue, scope.team!, at));
    return { issue: input.issue };
  },
});
