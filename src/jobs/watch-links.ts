import { lookAtLink } from "@/services/links/look-at";
import { watchLinks } from "@/services/links/plan";
import type { JobKind } from "./job-kind";

/** Asks one address somebody wants to know of now. */
export const lookAtLinkJob: JobKind = { run: async ({ resource }) => lookAtLink(String(resource)) };

/** Asks the addresses that are due what has become of them. What is left is for the next time. */
export const watchLinksJob: JobKind = { run: () => watchLinks() };
