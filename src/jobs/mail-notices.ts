import { mailNotices } from "@/services/notices/mail";
import type { JobKind } from "./job-kind";
import { sendMailJob } from "./send-message";

/** Sends somebody what is addressed to them. A mail server that is away is tried for a day. */
export const mailNoticesJob: JobKind = {
  pauses: sendMailJob.pauses,
  run: ({ person, time }) => mailNotices(String(person), String(time)),
};
