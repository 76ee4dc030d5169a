import { letIn } from "@/services/suggestions/let-in";
import type { JobKind } from "./job-kind";

/** Takes in what is suggested where things are let in at once. */
export const letInJob: JobKind = { run: async ({ collection }) => letIn(String(collection)) };
