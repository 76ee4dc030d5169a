import { eq } from "drizzle-orm";
import type { Tx } from "@/data/database";
import type { NewJob } from "@/data/queries/jobs";
import { lockIntake, partsFrom } from "@/data/queries/intakes";
import { intake, type IntakeState } from "@/data/schema";
import { now } from "@/outside/clock";
import { newId } from "@/outside/random";
import { action } from "../action";
import { Id, OneOf } from "../input";
import { can } from "../policy";
import { Problem } from "../problem";

const DEEDS = ["start", "pause", "go-on", "cancel", "undo"] as const;

class SetIntake {
  @Id() intake: string;
  @OneOf(DEEDS) deed: (typeof DEEDS)[number];
}

/** From which states a deed leads where. One that leads nowhere is answered with the state as it is. */
const LEADS: Record<(typeof DEEDS)[number], { from: IntakeState[]; to: IntakeState }> = {
  start: { from: ["staging"], to: "running" },
  pause: { from: ["running"], to: "paused" },
  "go-on": { from: ["paused"], to: "running" },
  cancel: { from: ["staging", "running", "paused"], to: "cancelled" },
  undo: { from: ["done", "cancelled"], to: "undoing" },
};

export const setIntake = action({
  name: "intakes.set",
  about: "Starts an import, pauses it, goes on with it, ends it early, or takes back everything it brought.",
  input: SetIntake,
  allow: can.bring("intake"),
  run: async ({ input, scope, tx, tell, later }) => {
    const row = (await lockIntake(tx, input.intake))!;
    if (row.person !== scope.person && scope.role !== "owner" && scope.role !== "editor")
      throw new Problem("not-allowed", "Only who began an import, or an editor, can do that.");
    const { from, to } = LEADS[input.deed];
    if (!from.includes(row.state)) return { state: row.state };
    if (input.deed === "start" && !(await isWhole(tx, row)))
      throw new Problem(
        "conflict",
        "Not all lines have arrived yet. Send the missing ones, then start again.",
      );
    await tx.update(intake).set({ state: to, updatedAt: now() }).where(eq(intake.id, row.id));
    if (to === "running" || to === "undoing") later(intakeJob(row.id, row.team, to));
    tell({ subject: row.id, verb: "intakes.changed", data: { name: row.name, state: to } });
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
const intakeJob = (id: string, team: string, what: "running" | "undoing"): NewJob => ({
  id: newId(),
  kind: what === "running" ? "intake.run" : "intake.undo",
  uniqueKey: `intake:${id}:${what}`,
  team,
  payload: { intake: id },
  priority: 1,
  createdAt: now(),
});
