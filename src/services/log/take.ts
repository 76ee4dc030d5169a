import { Readable } from "node:stream";
import Papa from "papaparse";
import { type LogWish, logOf } from "@/data/queries/log";
import { nameOfTeam } from "@/data/queries/teams";
import { reading } from "@/mechanism/action";
import { database } from "@/mechanism/changing";
import { can } from "@/mechanism/policy";
import { now } from "@/outside/clock";
import { noteTaken } from "../export/note-taken";
import { AskedOfLog, wishOf } from "./asked";

export const takeLog = reading({
  name: "log.take",
  about: "What of the log /api/log/<team> gives as a table (RFC 4180), and what the file is called.",
  input: AskedOfLog,
  allow: can.manage("team"),
  run: async ({ input, tx, actor }) => {
    await noteTaken(actor, { team: input.team }, "this log, csv");
    return { name: (await nameOfTeam(tx, input.team))!, wish: await wishOf(tx, input, now()) };
  },
});

const AT_ONCE = 1_000;
/** More lines are not in one file. */
const MOST = 500_000;
const HEADS = ["When (UTC)", "Who", "What", "Collection", "About"];

/** The log as a table, made while it is read; what a program of tables would take for a formula has an apostrophe before it. */
export const logAsCsv = (wish: LogWish): Readable => Readable.from(parts(wish), { objectMode: false });

async function* parts(wish: LogWish): AsyncGenerator<string> {
  const csv = (rows: string[][]) => `${Papa.unparse(rows, { newline: "\r\n", escapeFormulae: true })}\r\n`;
  // The mark at the beginning tells such programs that the letters are UTF-8.
  yield `\uFEFF${csv([HEADS])}`;
  let before: LogWish["before"] = null;
  for (let many = 0; many < MOST; many += AT_ONCE) {
    const lines = await logOf(database(), { ...wish, before }, AT_ONCE);
    if (lines.length)
      yield csv(
        lines.map((one) => [one.at.toISOString(), one.name ?? "", one.what, one.title ?? "", one.about]),
      );
    const last = lines.at(-1);
    if (!last || lines.length < AT_ONCE) return;
    before = { at: last.at, id: last.id };
  }
}
