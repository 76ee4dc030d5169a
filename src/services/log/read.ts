import { IsRFC3339 } from "class-validator";
import { logOf } from "@/data/queries/log";
import { reading } from "@/mechanism/action";
import { MaybeId, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { AskedOfLog, wishOf } from "./asked";

/** So many lines are answered at once. */
const MOST = 100;

class ReadLog extends AskedOfLog {
  /** The last line one has, for those before it. */
  @Optional() @IsRFC3339({ message: "Write a moment as 2026-03-09T17:00:00Z." }) at?: string;
  @MaybeId() line?: string;
}

export const readLog = reading({
  name: "log.read",
  about:
    "Who did what in a team and when, newest first, a hundred lines at a time: what was changed, who was let in and taken out, who can see what, who signed in, was invited, took something along. What is somebody's own is not in it.",
  input: ReadLog,
  allow: can.manage("team"),
  run: async ({ input, tx }) => {
    const wish = await wishOf(tx, input, now());
    const before = input.at && input.line ? { at: new Date(input.at), id: input.line } : null;
    const lines = await logOf(tx, { ...wish, before }, MOST);
    const last = lines.length === MOST ? lines.at(-1)! : null;
    return { lines, next: last && { at: last.at, line: last.id } };
  },
});
