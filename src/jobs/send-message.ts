import { sendMail } from "@/outside/mail";
import { unseal } from "@/outside/seal";
import type { JobKind } from "./job-kind";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

/**
 * Sends a letter. A mail server that is away or full today is there tomorrow: it is tried for a day, as RFC 5321 §4.5.4.1
 * wants of whoever sends mail.
 */
export const sendMailJob: JobKind = {
  pauses: [MINUTE, 5 * MINUTE, 15 * MINUTE, HOUR, 2 * HOUR, 4 * HOUR, 8 * HOUR, 9 * HOUR],
  run: async ({ letter, ...plain }) => {
    // Letters from before they were sealed lie there open.
    const { to, subject, text, html } = (
      typeof letter === "string" ? JSON.parse(unseal(letter)) : plain
    ) as Record<"to" | "subject" | "text", string> & { html?: string };
    await sendMail({ to, subject, text, html });
  },
};
