import { deadJobs } from "@/data/queries/jobs";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";

class ReadJobs {
  @Id() team: string;
}

export const readJobs = reading({
  name: "jobs.dead",
  about: "Work for a team that failed too often and was given up.",
  input: ReadJobs,
  allow: can.manage("team"),
  run: async ({ input, tx }) => ({ jobs: await deadJobs(tx, input.team) }),
});
