import { layOut, type Brought } from "@/core/intake/brought";
import { readAny } from "@/core/intake/read-any";
import { newId } from "@/outside/random";
import { runIntakeJob, undoIntakeJob } from "@/jobs/run-intake";
import type { Actor } from "@/services/actor";
import { as } from "./world";

type Where = { team: string; into?: string; section?: string };

/** Sends an import as the interface does: places, lines in parts, then the start. */
export async function stage(actor: Actor, where: Where, name: string, brought: Brought, size = 1000) {
  const intake = newId();
  const { places, lines, separator } = brought;
  await as(actor, "intakes.stage", { ...where, intake, name, separator, places, total: lines.length });
  for (let i = 0; i < lines.length; i += size)
    await as(actor, "intakes.add-lines", { intake, no: i / size, lines: lines.slice(i, i + size) });
  return intake;
}

/** The same for the text of a file, done to its end. */
export async function bringFile(actor: Actor, where: Where, name: string, text: string, size?: number) {
  const intake = await stage(actor, where, name, layOut(readAny(name, text).file, name), size);
  await as(actor, "intakes.set", { intake, deed: "start" });
  await runIntakeJob.run({ intake });
  return as(actor, "intakes.read", { intake });
}

export async function takeBack(actor: Actor, intake: string) {
  await as(actor, "intakes.set", { intake, deed: "undo" });
  await undoIntakeJob.run({ intake });
  return as(actor, "intakes.read", { intake });
}
