import { ownPath } from "@/core/address/own-path";
import { maySignUp, type SignUp } from "@/core/care/sign-up";
import { signUpRule } from "@/data/queries/care";
import { findInvitation } from "@/data/queries/teams";
import { database } from "@/mechanism/changing";
import { now } from "@/outside/clock";

/** Why somebody may not sign up, in words to them. */
const WHY: Record<Exclude<SignUp, "everybody">, string> = {
  domains:
    "Here you sign up with an address of certain mail domains, or by an invitation. Ask whoever runs Hobbin here.",
  invited:
    "Here you sign up by an invitation only. Follow the link in yours, or ask somebody who is here for one.",
};

/**
 * Whether somebody may sign up now.
 * @param next where they go on to: with an invitation, to that
 * @returns null: they may; else why not
 */
export async function whyNotSignUp(email: string, next: unknown): Promise<string | null> {
  const rule = await signUpRule(database());
  if (rule.mode === "everybody") return null;
  const [, code] = /^\/join\/([\w-]+)$/.exec(ownPath(typeof next === "string" ? next : undefined)) ?? [];
  const invitation = code ? await findInvitation(database(), code, now()) : null;
  const isInvited = invitation !== null && (invitation.most === null || invitation.used < invitation.most);
  return maySignUp(rule, email, isInvited) ? null : WHY[rule.mode];
}
