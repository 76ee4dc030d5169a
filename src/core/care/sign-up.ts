/** Who may sign up at an installation. */
export const SIGN_UP = ["everybody", "domains", "invited"] as const;
export type SignUp = (typeof SIGN_UP)[number];
export type SignUpRule = { mode: SignUp; domains: readonly string[] };

/** Until a steward says otherwise. */
export const FIRST_RULE: SignUpRule = { mode: "everybody", domains: [] };

/**
 * A mail domain as somebody typed it.
 * @returns null: it is none
 * @example
 * asDomain("@School.example"); // "school.example"
 */
export function asDomain(typed: string): string | null {
  const domain = typed.trim().replace(/^@/, "").replace(/\.$/, "").toLowerCase();
  const isName = /^(?:[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z][a-z0-9-]*[a-z0-9]$/.test(domain);
  return isName && domain.length <= 253 ? domain : null;
}

/**
 * Whether somebody with this mail address may sign up. A domain stands for itself alone, not for what is under it.
 * @param isInvited whether they hold an invitation
 */
export function maySignUp({ mode, domains }: SignUpRule, email: string, isInvited: boolean): boolean {
  if (mode === "everybody" || isInvited) return true;
  return mode === "domains" && domains.includes(email.trim().toLowerCase().split("@").at(-1)!);
}
