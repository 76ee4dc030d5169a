import path from "node:path";
import { migrate } from "@/data/migrate";
import { sayWhyNot } from "@/jobs/start";
import { settings } from "@/outside/settings";

/** `npm run migrate`: brings the database to the newest schema and ends. */
migrate(settings().databaseUrl, path.join(process.cwd(), "src/data/migrations")).then(
  (applied) => {
    process.stdout.write(
      applied
        ? `${applied} ${applied === 1 ? "step" : "steps"} done.\n`
        : "The database has the newest schema.\n",
    );
    process.exit(0);
  },
  (error: unknown) => {
    process.stderr.write(`${sayWhyNot(error)}\n`);
    process.exit(1);
  },
);
