import { shareCodeOf } from "@/data/queries/sharing";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newId } from "@/outside/random";
import { seal } from "@/outside/seal";
import { asLetter, composeIssue } from "./compose";

class TryNewsletter {
  @Id() collection: string;
}

export const tryNewsletter = action({
  name: "newsletters.try",
  about: "Sends the next issue of a newsletter to oneself, to see it as its readers will.",
  input: TryNewsletter,
  allow: can.arrange("collection"),
  locks: null,
  history: null,
  run: async ({ input, actor, scope, tx, at, enqueue }) => {
    const { draft, content } = await composeIssue(tx, input.collection, at);
    const code = await shareCodeOf(tx, input.collection);
    const to = actor.person!.email;
    const letter = asLetter(content, draft.subject, { code, number: null, token: null });
    enqueue({
      id: newId(),
      kind: "messages.send",
      team: scope.team,
      payload: { letter: seal(JSON.stringify({ to, ...letter })) },
      createdAt: at,
    });
    return { to };
  },
});
