import { reviveJob } from "@/data/queries/jobs";
import { now } from "@/outside/clock";
import { signal } from "@/outside/signals";
import { action } from "../action";
import { Id } from "../input";
import { can } from "../policy";

class RetryJob {
  @Id() job: string;
}

export const retryJob = action({
  name: "jobs.retry",
  about: "Takes up work again that was given up.",
  input: RetryJob,
  allow: can.manage("job"),
  run: async ({ input, tx }) => {
    await reviveJob(tx, input.job, now());
    signal("jobs");
    return { job: input.job };
  },
});
