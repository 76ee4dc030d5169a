import { lookAtLink } from "@/services/links/look-at";
import { findWays } from "@/services/links/find-ways";
import { lookInside } from "@/services/links/look-inside";
import { watchLinks } from "@/services/links/plan";
import type { JobKind } from "./job-kind";

/** Asks one address somebody wants to know of now. */
export const lookAtLinkJob: JobKind = { run: async ({ resource }) => lookAtLink(String(resource)) };

/** Looks where a page may stand now. */
export const findWaysJob: JobKind = { run: async ({ resource }) => findWays(String(resource)) };

/** Asks the links in a page somebody judges. */
export const lookInsideJob: JobKind = { run: async ({ resource }) => lookInside(String(resource)) };

/** Asks the addresses that are due what has become of them. What is left is for the next time. */
export const watchLinksJob: JobKind = { run: () => watchLinks() };
