import { sendMail } from "@/outside/mail";
import type { JobKind } from "./job-kind";

export const sendMailJob: JobKind = {
  run: async ({ to, subject, text }) =>
    sendMail({ to: String(to), subject: String(subject), text: String(text) }),
};
