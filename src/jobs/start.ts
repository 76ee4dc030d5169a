import path from "node:path";
import { migrate } from "@/data/migrate";
import { now } from "@/outside/clock";
import { log } from "@/outside/log";
import { startMailIn } from "@/outside/mail-in";
import { isKnownAddress, receiveMail } from "@/services/messages/receive";
import { settings, SettingsError } from "@/outside/settings";
import { scheduleBin } from "./empty-bin";
import { startFeeder } from "./feeder";
import { KINDS } from "./kinds";
import { Worker } from "./worker";

/** What a process does before it serves: checks its settings, brings the database to the newest schema, starts its worker. */
export async function startProcess({ withWorker }: { withWorker: boolean }): Promise<Worker | null> {
  const { databaseUrl } = settings();
  const applied = await migrate(databaseUrl, path.join(process.cwd(), "src/data/migrations"));
  if (applied) log.info({ applied }, "database brought to the newest schema");
  if (!withWorker) return null;
  await scheduleBin(now());
  const worker = new Worker(KINDS);
  await worker.start();
  const stopFeeder = startFeeder();
  const mail = await startMailIn({ known: isKnownAddress, receive: receiveMail });
  for (const name of ["SIGTERM", "SIGINT"] as const)
    process.once(name, () => {
      mail?.close(() => undefined);
      void worker.stop();
      void stopFeeder();
    });
  return worker;
}

/** One clear sentence about why it could not start. */
export function sayWhyNot(error: unknown): string {
  if (error instanceof SettingsError) return `Hobbin cannot start: ${error.message}`;
  const code = (error as { code?: string })?.code;
  if (code === "ECONNREFUSED") return "Hobbin cannot start: no database answers at HOBBIN_DATABASE_URL.";
  if (code === "ER_ACCESS_DENIED_ERROR")
    return "Hobbin cannot start: the database refuses the name or password in HOBBIN_DATABASE_URL.";
  return `Hobbin cannot start: ${error instanceof Error ? error.message : String(error)}`;
}
