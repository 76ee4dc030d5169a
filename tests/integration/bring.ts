import { layOut, type Brought } from "@/core/imports/brought";
import { readAny } from "@/core/imports/read-any";
import { runImportJob, undoImportJob } from "@/jobs/run-import";
import type { Actor } from "@/mechanism/actor";
import { newId } from "@/outside/random";
import { as } from "./world";

type Where = { team: string; into?: string; section?: string };

/** Sends an import as the interface does: places, lines in parts, then the start. */
export async function stage(actor: Actor, where: Where, name: string, brought: Brought, size = 1000) {
  const intake = newId();
  const { places, lines, separator } = brought;
  await as(actor, "imports.stage", {
    ...where,
    import: intake,
    name,
    separator,
    places,
    total: lines.length,
  });
  for (let i = 0; i < lines.length; i += size)
    await as(actor, "imports.add-lines", { import: intake, no: i / size, lines: lines.slice(i, i + size) });
  return intake;
}

/** The same for the text of a file, done to its end. */
export async function bringFile(actor: Actor, where: Where, name: string, text: string, size?: number) {
  const intake = await stage(actor, where, name, layOut(readAny(name, text).file, name), size);
  await as(actor, "imports.set", { import: intake, transition: "start" });
  await runImportJob.run({ import: intake });
  return as(actor, "imports.read", { import: intake });
}

export async function takeBack(actor: Actor, intake: string) {
  await as(actor, "imports.set", { import: intake, transition: "undo" });
  await undoImportJob.run({ import: intake });
  return as(actor, "imports.read", { import: intake });
}
