import { readJobs } from "./dead";
import { retryJob } from "./retry";

/** What people can do, by name. */
export const actions = {
  "jobs.dead": readJobs,
  "jobs.retry": retryJob,
};
