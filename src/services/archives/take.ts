import type { Readable } from "node:stream";
import { consistently } from "@/data/transaction";
import { teamRow } from "@/data/archive/rows";
import { reading } from "@/mechanism/action";
import { database } from "@/mechanism/changing";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { writeLog } from "@/data/queries/log";
import { newId } from "@/outside/random";
import { now } from "@/outside/clock";
import { zippedWithin } from "@/outside/zip";
import { archiveFiles } from "./write";

class TakeArchive {
  @Id() team: string;
}

export const takeArchive = reading({
  name: "archives.take",
  about:
    "Whether one may take everything of a team along, and what the file is called; /api/archive/<team> gives it: a bag (RFC 8493) in a ZIP.",
  input: TakeArchive,
  allow: can.manage("team"),
  run: async ({ input, scope, tx }) => {
    const { name } = (await teamRow(tx, input.team))!;
    await writeLog(tx, [
      { id: newId(), at: now(), team: input.team, person: scope.person!, what: "archive-taken" },
    ]);
    return { team: input.team, person: scope.person!, name };
  },
});

/** Archives that are being sent by this process; each holds a connection to the database for as long as it takes. */
let sending = 0;
const MOST = 3;

/**
 * The archive itself, made while it is read.
 * @throws {Problem} busy, when others are being sent
 */
export function archiveOf(taker: { team: string; person: string }): Readable {
  if (sending >= MOST) throw new Problem("busy");
  sending++;
  const at = now();
  const out = zippedWithin((pack) => consistently(database(), (tx) => pack(archiveFiles(tx, taker, at))), at);
  out.once("close", () => void sending--);
  return out;
}
