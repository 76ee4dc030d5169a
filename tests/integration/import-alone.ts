import { and, eq, isNull, sql } from "drizzle-orm";
import { bareLine } from "@/core/imports/brought";
import { closeDatabase } from "@/data/database";
import { migrate } from "@/data/migrate";
import { intake, placement, resource } from "@/data/schema";
import { runImportJob } from "@/jobs/run-import";
import { database } from "@/mechanism/changing";
import { settings } from "@/outside/settings";
import { stage } from "./bring";
import { as, makeWorld } from "./world";

/** One step of an import in a process and on a database of its own, for the test that kills the database. */
const [what, argument] = process.argv.slice(2) as [string, string];
if (what === "stage") {
  await migrate(settings().databaseUrl, "src/data/migrations");
  const { editor, team, collection: into } = await makeWorld();
  const lines = Array.from({ length: Number(argument) }, (_, i) =>
    bareLine(`https://killed.example/${i}`, { title: `Page ${i}` }),
  );
  const id = await stage(
    editor,
    { team, into },
    "Killed",
    { places: [], lines, passedOver: [], separator: "comma" },
    300,
  );
  await as(editor, "imports.set", { import: id, transition: "start" });
  process.stdout.write(`${id}\n`);
} else if (what === "run") await runImportJob.run({ import: argument }).catch(() => undefined);
else {
  const [row] = await database().select().from(intake).where(eq(intake.id, argument));
  const { team, state, done, made } = row!;
  const count = async (table: typeof resource | typeof placement) => {
    const [found] = await database()
      .select({ n: sql<number>`count(*)` })
      .from(table)
      .where(and(eq(table.team, team), isNull(table.deletedAt)));
    return Number(found!.n);
  };
  // One resource and one placement belong to the world the test makes.
  const [resources, placements] = [(await count(resource)) - 1, (await count(placement)) - 1];
  process.stdout.write(`${JSON.stringify({ state, done, made, resources, placements })}\n`);
}
await closeDatabase().catch(() => undefined);
process.exit(0);
