import path from "node:path";
import { migrate } from "@/data/migrate";
import { now } from "@/outside/clock";
import { log } from "@/outside/log";
import { startMailIn } from "@/outside/mail-in";
import { isKnownAddress, receiveMail } from "@/services/messages/receive";
import { settings, SettingsError } from "@/outside/settings";
import { scheduleFeeds } from "@/services/feeds/plan";
import { scheduleLinks } from "@/services/links/plan";
import { scheduleBin } from "./empty-bin";
import { startFeeder } from "./feeder";
import { KINDS } from "./kinds";
import { Worker } from "./worker";

/** What a process does beside answering, and how it ends. */
export type Work = {
  /** @param patience how long what runs may take to end, in milliseconds; it is given back then */
  stop: (patience?: number) => Promise<void>;
};

/** What a process does before it serves: checks its settings, brings the database to the newest schema, starts its worker. */
export async function startProcess({ withWorker }: { withWorker: boolean }): Promise<Work> {
  const { databaseUrl } = settings();
  const applied = await migrate(databaseUrl, path.join(process.cwd(), "src/data/migrations"));
  if (applied) log.info({ applied }, "database brought to the newest schema");
  if (!withWorker) return { stop: async () => undefined };
  await scheduleBin(now());
  await scheduleFeeds(now());
  if (settings().watchLinks === "on") await scheduleLinks(now());
  const worker = new Worker(KINDS);
  await worker.start();
  const stopFeeder = startFeeder();
  const mail = await startMailIn({ known: isKnownAddress, receive: receiveMail });
  return {
    stop: async (patience) => {
      mail?.close(() => undefined);
      await Promise.all([worker.stop(patience), stopFeeder()]);
    },
  };
}

/** One clear sentence about why it could not start. */
export function sayWhyNot(error: unknown): string {
  if (error instanceof SettingsError) return `Hobbin cannot start: ${error.message}`;
  const code = (error as { code?: string })?.code;
  if (code === "EADDRINUSE") return "Hobbin cannot start: another program listens at HOBBIN_PORT.";
  if (code === "ECONNREFUSED") return "Hobbin cannot start: no database answers at HOBBIN_DATABASE_URL.";
  if (code === "ER_ACCESS_DENIED_ERROR")
    return "Hobbin cannot start: the database refuses the name or password in HOBBIN_DATABASE_URL.";
  return `Hobbin cannot start: ${error instanceof Error ? error.message : String(error)}`;
}
