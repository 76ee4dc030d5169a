import { type RuleFacts, ruleFits, type RuleUnless, type RuleWhen } from "./fits";

/** What became of what a rule fits: suggested, done, declined; or done, and found to be wrong. */
export const HIT_STATES = ["suggested", "done", "declined", "wrong"] as const;
export type HitState = (typeof HIT_STATES)[number];

/** What people said of what a rule did or suggested, by site. */
export type SaidOfSite = { host: string; right: number; wrong: number };

/** So many from one site must have been wrong before it is offered to leave it out. */
const LEAST = 3;
/** And so much of all that came from there. */
const MOSTLY = 0.75;

/**
 * The sites a rule is nearly always wrong about: they could be left out.
 * @param when what the rule asks for; what would leave out everything is not offered
 * @returns the worst first
 */
export function sitesToLeaveOut(
  when: RuleWhen,
  unless: readonly RuleUnless[] | null,
  said: readonly SaidOfSite[],
): SaidOfSite[] {
  return said
    .filter(
      ({ host, right, wrong }) =>
        wrong >= LEAST &&
        wrong >= MOSTLY * (wrong + right) &&
        isNarrower(when, host) &&
        // It may be left out by now.
        ruleFits({ host }, { host, sender: "", tags: [], title: "" }, unless),
    )
    .toSorted((a, b) => b.wrong - a.wrong || (a.host < b.host ? -1 : 1));
}

/**
 * What could be left out of a rule that was wrong about a resource, so that it is not wrong again.
 * @returns its site and its sender, where the rule goes on without them
 */
export function whatToLeaveOut(when: RuleWhen, facts: Pick<RuleFacts, "host" | "sender">): RuleUnless[] {
  const { host, sender } = facts;
  return [
    ...(isNarrower(when, host) ? [{ host }] : []),
    ...(sender && !when.sender ? [{ sender: /<([^>]+)>\s*$/.exec(sender)?.[1] ?? sender }] : []),
  ];
}

/** Whether a rule still fits something when a site is left out: when it does not ask for that very site. */
function isNarrower({ host: asked }: RuleWhen, host: string): boolean {
  const around = { host: asked && host.slice(host.indexOf(".") + 1), sender: "", tags: [], title: "" };
  return host !== "" && (!asked || ruleFits({ host: asked }, { ...around, host: around.host ?? "" }));
}
