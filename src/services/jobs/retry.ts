import { reviveJob } from "@/data/queries/jobs";
import { action } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { signal } from "@/outside/signals";

class RetryJob {
  @Id() job: string;
}

export const retryJob = action({
  name: "jobs.retry",
  about: "Takes up work again that was given up.",
  input: RetryJob,
  allow: can.manage("job"),
  locks: null,
  history: null,
  run: async ({ input, tx, at }) => {
    await reviveJob(tx, input.job, at);
    signal("jobs");
    return { job: input.job };
  },
});
