import { deliverIssue } from "@/services/newsletters/deliver";
import type { JobKind } from "./job-kind";
import { sendMailJob } from "./send-message";

/** Sends what is left of an issue of a newsletter. A mail server that is away is tried for a day. */
export const deliverIssueJob: JobKind = {
  pauses: sendMailJob.pauses,
  run: ({ issue }) => deliverIssue(String(issue)),
};
