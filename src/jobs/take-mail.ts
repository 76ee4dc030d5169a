import { takeMessage } from "@/services/mail/take-message";
import type { JobKind } from "./kinds";

/** Makes reading matter of a message. */
export const takeMailJob: JobKind = { run: async ({ message }) => takeMessage(String(message)) };
