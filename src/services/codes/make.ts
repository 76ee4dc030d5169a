import { audienceNow } from "@/core/publish/opens";
import { addShortCode, setShortCodeUntil, shortCodesOf } from "@/data/queries/sharing";
import { action } from "@/mechanism/action";
import { Id, MaybeMoment } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem, Problem } from "@/mechanism/problem";
import { newShortCode } from "@/outside/random";

class MakeCode {
  @Id() collection: string;
  /** When it ends; null: with the sharing. */
  @MaybeMoment() until?: string | null;
}

export const makeCode = action({
  name: "codes.make",
  about:
    "Gives a shared collection a short code that can be typed or read aloud, or the one it has another last day.",
  input: MakeCode,
  allow: can.publish("collection"),
  locks: ({ input }) => ({ collections: [input.collection] }),
  history: null,
  run: async ({ input, tx, locked, at, emit }) => {
    const found = locked.collection(input.collection);
    if (audienceNow(found, at) === "team") throw new Problem("not-shared");
    const until = input.until ? new Date(input.until) : null;
    if (until && until <= at) throw fieldProblem("until", "date-is-over");
    const there = (await shortCodesOf(tx, [found.id], at)).get(found.id);
    if (there && input.until === undefined) return { short: there.code, until: there.until };
    const short = there?.code ?? newShortCode();
    if (there) await setShortCodeUntil(tx, short, until);
    else await addShortCode(tx, { code: short, collection: found.id, createdAt: at, until });
    emit({ verb: "share.renew", subject: found.id, collection: found.id });
    return { short, until };
  },
});
