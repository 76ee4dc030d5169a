import { MAIL_TIMES, type MailTime } from "@/core/talk/notices";
import { saveWishes, wishesOf } from "@/data/queries/notices";
import { action } from "@/mechanism/action";
import { MaybeOneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { newSecret } from "@/outside/random";

class Wish {
  @MaybeOneOf(MAIL_TIMES) mention?: MailTime;
  @MaybeOneOf(MAIL_TIMES) answer?: MailTime;
  @MaybeOneOf(MAIL_TIMES) asked?: MailTime;
  @MaybeOneOf(MAIL_TIMES) suggested?: MailTime;
  @MaybeOneOf(MAIL_TIMES) returned?: MailTime;
  @MaybeOneOf(MAIL_TIMES) hidden?: MailTime;
  @MaybeOneOf(MAIL_TIMES) helped?: MailTime;
}

export const wishForMail = action({
  name: "notices.wish",
  about: "Says of which of what is addressed to oneself one wants to hear by mail: at once, daily or never.",
  input: Wish,
  allow: can.beSignedIn(),
  locks: null,
  history: null,
  run: async ({ input, scope, tx }) => {
    const before = (await wishesOf(tx, [scope.person!])).get(scope.person!)!;
    const said = Object.entries(input).filter(([, time]) => time !== undefined);
    const wishes = { ...before, ...(Object.fromEntries(said) as Partial<typeof before>) };
    await saveWishes(tx, scope.person!, wishes, newSecret());
    return { wishes };
  },
});
