import type { Tx } from "@/data/database";
import { lockImport, partsFrom, writeImport } from "@/data/queries/imports";
import type { NewJob } from "@/data/queries/jobs";
import type { ImportState } from "@/data/schema";
import { action } from "@/mechanism/action";
import { Id, OneOf } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";

const TRANSITIONS = ["start", "pause", "go-on", "cancel", "undo"] as const;

class SetImport {
  @Id() import: string;
  @OneOf(TRANSITIONS) transition: (typeof TRANSITIONS)[number];
}

/** From which states a transition leads where. One that leads nowhere is answered with the state as it is. */
const LEADS: Record<(typeof TRANSITIONS)[number], { from: ImportState[]; to: ImportState }> = {
  start: { from: ["staging"], to: "running" },
  pause: { from: ["running"], to: "paused" },
  "go-on": { from: ["paused"], to: "running" },
  cancel: { from: ["staging", "running", "paused"], to: "cancelled" },
  undo: { from: ["done", "cancelled"], to: "undoing" },
};

export const setImport = action({
  name: "imports.set",
  about: "Starts an import, pauses it, goes on with it, ends it early, or takes back everything it brought.",
  input: SetImport,
  allow: can.bring("import"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, emit, enqueue }) => {
    const row = (await lockImport(tx, input.import))!;
    if (row.person !== scope.person && scope.role !== "owner" && scope.role !== "editor")
      throw new Problem("import-not-for-you");
    const { from, to } = LEADS[input.transition];
    if (!from.includes(row.state)) return { state: row.state };
    if (input.transition === "start" && !(await isWhole(tx, row))) throw new Problem("import-lines-missing");
    await writeImport(tx, row.id, { state: to, updatedAt: at });
    if (to === "running" || to === "undoing") enqueue(importJob(row.id, row.team, to));
    emit({ subject: row.id, verb: "imports.changed", data: { name: row.name, state: to } });
    return { state: to };
  },
});

async function isWhole(tx: Tx, row: { id: string; total: number }): Promise<boolean> {
  let lines = 0;
  for (let from = 0; ;) {
    const parts = await partsFrom(tx, row.id, from, 20);
    for (const part of parts) {
      if (part.no !== from++) return false;
      lines += part.lines.length;
    }
    if (parts.length < 20) return lines === row.total;
  }
}

/** The job that does an import, or takes it back. */
const importJob = (id: string, team: string, what: "running" | "undoing"): NewJob => ({
  id: newId(),
  kind: what === "running" ? "imports.run" : "imports.undo",
  uniqueKey: `import:${id}:${what}`,
  team,
  payload: { import: id },
  priority: 1,
  createdAt: now(),
});
