import type { Answer } from "@/services/registry";

type Rule = Answer<"rules.read">["rules"][number];
type Hit = Answer<"resources.read">["resource"]["hits"][number];
type Unless = Rule["unless"][number];

/** What a rule asks for, and what it does then. */
export function sayRule(rule: Rule, collections: readonly { id: string; title: string }[]): string {
  const { host, sender, tag, word } = rule.when;
  const when = [
    host && `from ${host}`,
    sender && `sent by ${sender}`,
    tag && `tagged ${tag}`,
    word && `with “${word}” in the title`,
  ]
    .filter(Boolean)
    .join(" and ");
  const place = collections.find((one) => one.id === rule.collection)?.title;
  const then = [place && `goes to ${place}`, rule.tags.length && `is tagged ${rule.tags.join(", ")}`]
    .filter(Boolean)
    .join(" and ");
  return `What is ${when} ${then}. ${rule.acts ? "Done at once." : "Suggested."}`;
}

/** What is left out, in words. */
export const sayUnless = (one: Unless): string =>
  "host" in one
    ? `from ${one.host}`
    : "sender" in one
      ? `sent by ${one.sender}`
      : `with “${one.word}” in the title`;

const STATES: Record<Hit["state"], string> = {
  suggested: "Suggested",
  done: "Done",
  declined: "Declined",
  wrong: "Found to be wrong",
};
export const sayState = (state: Hit["state"]): string => STATES[state];

/** How often it was right, and how often not; empty where it has done nothing yet. */
export function sayCounts({ said }: Pick<Rule, "said">): string {
  const not = said.wrong + said.declined;
  return [
    said.done && `${said.done.toLocaleString("en")} done`,
    said.suggested && `${said.suggested.toLocaleString("en")} suggested`,
    not && `${not.toLocaleString("en")} wrong`,
  ]
    .filter(Boolean)
    .join(", ");
}
