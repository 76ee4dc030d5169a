import { VERBS } from "../history/verbs";

/** What is written down for those who own a team and told to nobody else: it changes nothing others see. */
export const LOGGED = ["signed-in", "invited", "invitation-ended", "taken-out", "archive-taken"] as const;
export type Logged = (typeof LOGGED)[number];

/** What the log of a team is narrowed to. */
export const LOG_KINDS = ["people", "sharing", "taken", "deleted", "changes"] as const;
export type LogKind = (typeof LOG_KINDS)[number];

/**
 * Of which kind something in the log is.
 * @param what a verb of an event, or what is only logged
 */
export function kindOfLogged(what: string): LogKind {
  if (what === "taken-out" || what === "archive-taken") return "taken";
  if ((LOGGED as readonly string[]).includes(what) || /^(members|guests|teams)\./.test(what)) return "people";
  if (/^(share|stewards|editions|newsletters|handouts)\.|^suggestions\.set-page$/.test(what))
    return "sharing";
  if (/\.(remove|erase|withdraw)$|^bin\./.test(what)) return "deleted";
  return "changes";
}

/** What is told to those who listen and is no deed of anybody. */
const NO_DEED = new Set(["presence", "late", "notices.came", "imports.progress"]);

/** Everything of a kind, by the names it has in the log. @param kind null: of any */
export const loggedOf = (kind: LogKind | null): { verbs: string[]; logged: Logged[] } => ({
  verbs: Object.keys(VERBS).filter(
    (verb) => !NO_DEED.has(verb) && (kind === null || kindOfLogged(verb) === kind),
  ),
  logged: LOGGED.filter((what) => kind === null || kindOfLogged(what) === kind),
});
