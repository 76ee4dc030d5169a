import { watchLinks } from "@/services/links/plan";
import type { JobKind } from "./job-kind";

/** Asks the addresses that are due what has become of them. What is left is for the next time. */
export const watchLinksJob: JobKind = { run: () => watchLinks() };
