import { takeMessage } from "@/services/messages/take-in";
import type { JobKind } from "./job-kind";

/** Makes reading matter of a message. */
export const takeMailJob: JobKind = { run: async ({ message }) => takeMessage(String(message)) };
