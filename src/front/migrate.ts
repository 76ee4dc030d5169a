import { sayWhyNot } from "@/jobs/start";
import { bringSchema } from "./bring-schema";

/** `npm run migrate`: brings the database to the newest schema and ends. */
bringSchema().then(
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
