import { filesOf, contentBytes } from "@/core/editions/content";
import { audienceNow } from "@/core/publish/opens";
import { addEdition, lastNumber } from "@/data/queries/editions";
import { addIssue, findIssue, writeDraft } from "@/data/queries/newsletters";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { storeFile } from "@/outside/files";
import { newId } from "@/outside/random";
import { contentNow } from "../editions/content-now";
import { composeIssue } from "./compose";
import { issueJob } from "./issue-job";

class SendNewsletter {
  @Id() collection: string;
  /** Id for the issue; sent twice it goes out once. */
  @Id() issue: string;
}

export const sendNewsletter = action({
  name: "newsletters.send",
  about:
    "Sends the next issue of a newsletter: it is kept as an edition, and goes by mail to everybody who has asked for it and confirmed that.",
  input: SendNewsletter,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  // What left the team's hands is not taken back; readers can be kept from its page.
  history: null,
  run: async ({ input, scope, tx, locked, at, enqueue, emit }) => {
    const living = locked.collection(input.collection);
    const there = await findIssue(tx, input.issue);
    if (there && there.collection !== living.id) throw new Problem("id-taken");
    if (there) return { issue: there.id, number: there.number!, readers: null };
    if (audienceNow(living, at) === "team") throw new Problem("not-shared");
    const whole = await contentNow(tx, living.id, at, { before: null });
    const { draft, content, chosen } = await composeIssue(tx, living.id, at, whole);
    if (!draft.subject.trim()) throw fieldProblem("subject", "subject-missing");
    if (!chosen.length && !draft.greeting.trim()) throw fieldProblem("chosen", "nothing-to-send");
    const number = (await lastNumber(tx, living.id)) + 1;
    const edition = {
      ...{ id: newId(), collection: living.id, number, isIssue: true, words: draft.subject },
      ...{ digest: await storeFile(contentBytes(content)), items: chosen.length },
      ...{ person: scope.person!, createdAt: at },
    };
    await addEdition(tx, edition, filesOf(content));
    const readers = await addIssue(tx, {
      ...{
        id: input.issue,
        collection: living.id,
        edition: edition.id,
        subject: draft.subject,
        createdAt: at,
      },
    });
    // How it ends stays; what is new next time is written next time.
    await writeDraft(tx, living.id, { subject: "", greeting: "", chosen: null }, at);
    enqueue(issueJob(input.issue, scope.team!, at));
    emit({ verb: "newsletters.send", subject: living.id, collection: living.id, data: { number, readers } });
    return { issue: input.issue, number, readers };
  },
});
