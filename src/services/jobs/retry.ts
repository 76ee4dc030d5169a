import { reviveJob } from "@/data/queries/jobs";
import { signal } from "@/outside/signals";
import { action } from "../mechanism/action";
import { Id } from "../mechanism/input";
import { can } from "../mechanism/policy";

class RetryJob {
  @Id() job: string;
}

export const retryJob = action({
  name: "jobs.retry",
  about: "Takes up work again that was given up.",
  input: RetryJob,
  allow: can.manage("job"),
  history: null,
  run: async ({ input, tx, at }) => {
    await reviveJob(tx, input.job, at);
    signal("jobs");
    return { job: input.job };
  },
});
