import { sayWhyNot } from "@/jobs/start";
import { settings } from "@/outside/settings";
import { makeBackup } from "@/services/backup/make";
import { BackupRefused } from "@/services/backup/manifest";
import { bringSchema } from "./bring-schema";
import { restoreBackup } from "@/services/backup/restore";

/** `npm run backup -- FOLDER` and `npm run restore -- FOLDER`. */
async function main(what: string, folder: string | undefined): Promise<string> {
  if (!folder) throw new BackupRefused(`Name a folder: npm run ${what} -- FOLDER`);
  const { databaseUrl } = settings();
  if (what === "restore") await bringSchema();
  const { tables, files, missing } = await (what === "restore" ? restoreBackup : makeBackup)(
    databaseUrl,
    folder,
  );
  const rows = tables.reduce((sum, table) => sum + table.rows, 0);
  const lost = missing.length ? ` ${missing.length} files were named and are not in the store.` : "";
  return `${what === "restore" ? "Restored" : "Backed up"}: ${rows} rows of ${tables.length} tables, ${files.length} files.${lost}\n`;
}

const [what = "backup", folder] = process.argv.slice(3);
main(what, folder).then(
  (said) => {
    process.stdout.write(said);
    process.exit(0);
  },
  (error: unknown) => {
    process.stderr.write(`${error instanceof BackupRefused ? error.message : sayWhyNot(error)}\n`);
    process.exit(1);
  },
);
