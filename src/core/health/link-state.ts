import type { FetchProblem } from "../page/facts";

/** What has become of an address, the worst first. */
export const LINK_STATES = [
  "gone",
  "missing",
  "certificate",
  "sign-in",
  "front",
  "changed",
  "silent",
  "moved",
  "unreachable",
  "ok",
] as const;
export type LinkState = (typeof LINK_STATES)[number];

/** Whether something is to be done about it. */
export const isFound = (state: LinkState): boolean => state !== "ok" && state !== "unreachable";
/** What gives no page where there was one, whatever it gives instead. */
export const LOST: readonly LinkState[] = ["gone", "missing", "silent"];

/** What an address answered. */
export type LinkAnswer =
  | {
      ok: true;
      /** Where it was answered in the end, after all redirects. */
      address: string;
      /** Where it said that it stands for good now; null: where it was asked for. */
      moved: string | null;
      /** It is as it was when it was asked last, and nothing else is known (304). */
      same: boolean;
    }
  | { ok: false; problem: FetchProblem; status?: number };

/** How much the page that answered resembles others, from 0 to 1; null: one of the two is not known, or too short. */
export type Likeness = {
  /** The copy that is kept of it. */
  copy: number | null;
  /** What the site answers for an address that cannot exist. */
  nothing: number | null;
};

/** From here on a page is what its site says for what it does not have. */
const SAME_AS_NOTHING = 0.9;
/** Up to here a page has little in common with its copy: it is about something else, or was written anew. */
const UNLIKE = 0.2;

const isFront = (url: URL): boolean => /^\/(?:index\.\w+|home|start)?\/?$/i.test(url.pathname) && !url.search;

/**
 * What has become of an address, by what it answered.
 * @param asked the address
 * @param likeness what the page resembles, where it is a page
 */
export function linkState(asked: string, answer: LinkAnswer, likeness: Likeness): LinkState {
  if (!answer.ok) return failed(answer.problem);
  const [from, to] = [new URL(asked), new URL(answer.address)];
  if (!isFront(from) && isFront(to)) return "front";
  if (answer.same) return answer.moved ? "moved" : "ok";
  const { copy, nothing } = likeness;
  // What resembles its copy more than the page of nothing is itself, however little is on it.
  if (nothing !== null && nothing >= SAME_AS_NOTHING && (copy === null || copy < nothing)) return "missing";
  if (copy !== null && copy <= UNLIKE) return "changed";
  return answer.moved ? "moved" : "ok";
}

/** The site is not there, for now or for good: that shows in time. */
const SILENT: ReadonlySet<FetchProblem> = new Set(["timeout", "no-answer", "site-error"] as const);
/** It is there, and does not give its page to programs just now. */
const AWAY: ReadonlySet<FetchProblem> = new Set(["refused-status", "too-many-redirects"] as const);

function failed(problem: FetchProblem): LinkState {
  if (problem === "not-found") return "gone";
  if (problem === "needs-sign-in") return "sign-in";
  if (problem === "certificate") return "certificate";
  if (SILENT.has(problem)) return "silent";
  return AWAY.has(problem) ? "unreachable" : "ok";
}
